/** Hands a file to the browser. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob)
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}

/** Hands text to the browser as a file. */
export const download = (name: string, type: string, text: string): void =>
  saveBlob(name, new Blob([text], { type }))

export const fileName = (name: string, ending: string): string =>
  `${
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'circuit'
  }.${ending}`
