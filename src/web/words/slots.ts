/** No text has this character in it. */
const mark = '\u0000'

/** Stands in a sentence for what is drawn in its place; see `parts/Sentence.vue`. */
export const slot = (name: string): string => mark + name + mark

export type Piece = { readonly text: string } | { readonly slot: string }

/** A text in pieces: what is written, and what is drawn in between. */
export const piecesOf = (text: string): Piece[] =>
  text
    .split(mark)
    .map((piece, i): Piece => (i % 2 ? { slot: piece } : { text: piece }))
    .filter((piece) => 'slot' in piece || piece.text !== '')
