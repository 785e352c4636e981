export function startNginx(where: { readonly port: number; readonly servers: readonly number[] }): Promise<{
  folder: string
  stop: () => void
}>
