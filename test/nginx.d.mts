export function startNginx(where: { readonly port: number; readonly servers: readonly number[] }): {
  folder: string
  stop: () => void
}
