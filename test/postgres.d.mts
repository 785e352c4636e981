export function postgresPrograms(): string | undefined
export function startPostgres(): { url: string; stop: () => void }
