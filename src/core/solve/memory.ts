/** Slices of one allocation: boards are created by the thousand, and an allocation costs as much as an iteration. */
export function slicesOf(length: number): (count: number) => Float64Array {
  const { buffer } = new Float64Array(length)
  let taken = 0
  return (count) => {
    const slice = new Float64Array(buffer, 8 * taken, count)
    taken += count
    return slice
  }
}
