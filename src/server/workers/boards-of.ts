import type { Order } from '../../core/attempt'

/**
 * What boards an order is judged on, as one word. The planted severity has a place on its grid: boards are one order’s, or of
 * all that are planted alike.
 */
export const boardsOf = ({ circuit, planted, frame, spares }: Order): string =>
  JSON.stringify([circuit, planted, frame.meter, frame.faults, ...(spares?.length ? [spares] : [])])
