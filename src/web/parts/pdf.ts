import { t } from '../words'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'

/** Stands on every sheet that is taken to a bench. */
export const caution = (): string => t('ui.parts.disconnectBeforeOhmsNeverAn')

/** Makes the file in the browser; the maker and its letters come only when they are wanted. */
export async function make(definition: TDocumentDefinitions): Promise<Blob> {
  const [{ default: pdfmake }, { default: letters }] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    import('pdfmake/build/vfs_fonts'),
  ])
  pdfmake.addVirtualFileSystem(letters)
  return pdfmake.createPdf(definition).getBlob()
}

export const page = (
  title: string,
  content: Content[],
  orientation: 'portrait' | 'landscape' = 'portrait',
): TDocumentDefinitions => ({
  info: { title, creator: 'Brachyon' },
  pageSize: 'A4',
  pageOrientation: orientation,
  pageMargins: [36, 40, 36, 44],
  defaultStyle: { font: 'Roboto', fontSize: 8.5, color: '#1f2d33' },
  styles: {
    title: { fontSize: 15, bold: true },
    state: { fontSize: 11, bold: true, margin: [0, 10, 0, 3] },
    head: { color: '#59666b', fontSize: 8 },
    quiet: { color: '#59666b' },
    bad: { color: '#a83a12', bold: true },
  },
  footer: (now, of) => ({
    columns: [
      { text: title, margin: [36, 0, 0, 0], style: 'quiet' },
      { text: `${now} / ${of}`, alignment: 'right', margin: [0, 0, 36, 0], style: 'quiet' },
    ],
  }),
  content,
})

const rules = {
  hLineWidth: (i: number) => (i === 1 ? 0.9 : 0.35),
  vLineWidth: () => 0,
  hLineColor: (i: number) => (i === 1 ? '#1f2d33' : '#d8d0c0'),
  paddingLeft: () => 0,
  paddingRight: () => 6,
  paddingTop: () => 1.5,
  paddingBottom: () => 1.5,
}
export const table = (
  head: readonly string[],
  rows: readonly TableCell[][],
  widths?: (string | number)[],
): Content => ({
  layout: rules,
  table: {
    headerRows: 1,
    dontBreakRows: true,
    widths: widths ?? head.map(() => 'auto'),
    body: [head.map((text) => ({ text, style: 'head' })), ...rows],
  },
})
