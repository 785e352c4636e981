export function postgresPrograms(): string | undefined
export function startPostgres(): { url: string; halt: () => void; start: () => void; stop: () => void }
