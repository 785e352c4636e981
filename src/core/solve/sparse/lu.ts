import type { SparseMatrix } from './pattern'
import { minimumDegree } from './order'

/**
 * Sparse LU by columns, left-looking (Gilbert and Peierls, SIAM J. Sci. Stat. Comput. 9, 1988), with
 * threshold partial pivoting. The first factorization finds pivots and pattern; later ones reuse both and
 * only redo the arithmetic, until a pivot has become too small for its column.
 */
export class SparseLU {
  private readonly columnOrder: Int32Array
  /** For an original row: at which step it became pivot, or −1. */
  private readonly pivotStep: Int32Array
  private readonly pivotRow: Int32Array
  private readonly lowerStart: Int32Array
  private lowerRow: number[] = []
  private lowerValue: Float64Array = new Float64Array(0)
  private readonly upperStart: Int32Array
  /** Steps (not rows) of the entries above the diagonal, in an order that respects dependence. */
  private upperStep: number[] = []
  private upperValue: Float64Array = new Float64Array(0)
  private readonly diagonal: Float64Array
  private readonly work: Float64Array
  private readonly mark: Int32Array
  private known = false

  constructor(private readonly matrix: SparseMatrix) {
    const n = matrix.size
    this.columnOrder = minimumDegree(matrix)
    this.pivotStep = new Int32Array(n)
    this.pivotRow = new Int32Array(n)
    this.lowerStart = new Int32Array(n + 1)
    this.upperStart = new Int32Array(n + 1)
    this.diagonal = new Float64Array(n)
    this.work = new Float64Array(n)
    this.mark = new Int32Array(n)
  }

  /** Factors the matrix as its values stand. False when it is singular to working precision. */
  factor(): boolean {
    if (this.known && this.refactor()) return true
    return this.factorAfresh()
  }

  /** Non-zeros in both factors, the diagonal counted once. */
  get fill(): number {
    return this.lowerRow.length + this.upperStep.length + this.matrix.size
  }

  private factorAfresh(): boolean {
    const { size: n, start, row, value } = this.matrix
    const { pivotStep, pivotRow, work, mark, diagonal } = this
    const lowerValue: number[] = []
    const upperValue: number[] = []
    this.lowerRow = []
    this.upperStep = []
    pivotStep.fill(-1)
    mark.fill(-1)
    this.known = false
    for (let k = 0; k < n; k++) {
      const column = this.columnOrder[k]!
      this.upperStart[k] = this.upperStep.length
      this.lowerStart[k] = this.lowerRow.length
      const reach = this.reach(column, k)
      for (const r of reach) work[r] = 0
      for (let p = start[column]!; p < start[column + 1]!; p++) work[row[p]!]! += value[p]!
      for (let i = reach.length - 1; i >= 0; i--) {
        const step = pivotStep[reach[i]!]!
        if (step < 0) continue
        const x = work[reach[i]!]!
        this.upperStep.push(step)
        upperValue.push(x)
        for (let q = this.lowerStart[step]!; q < this.lowerStart[step + 1]!; q++) {
          work[this.lowerRow[q]!]! -= lowerValue[q]! * x
        }
      }
      let best = -1
      let size = 0
      for (const r of reach) {
        if (pivotStep[r]! >= 0) continue
        const magnitude = Math.abs(work[r]!)
        if (magnitude > size) {
          size = magnitude
          best = r
        }
      }
      if (best < 0 || !(size > 1e-300) || !Number.isFinite(size)) return false
      // The diagonal keeps the fill low: take it unless it is ten times smaller than the best.
      if (mark[column] === k && pivotStep[column]! < 0 && Math.abs(work[column]!) >= 0.1 * size) best = column
      const pivot = work[best]!
      pivotStep[best] = k
      pivotRow[k] = best
      diagonal[k] = pivot
      for (const r of reach) {
        if (pivotStep[r]! >= 0) continue
        this.lowerRow.push(r)
        lowerValue.push(work[r]! / pivot)
      }
      this.lowerStart[k + 1] = this.lowerRow.length
      this.upperStart[k + 1] = this.upperStep.length
    }
    this.lowerValue = Float64Array.from(lowerValue)
    this.upperValue = Float64Array.from(upperValue)
    this.known = true
    return true
  }

  /** Which rows the solution of L x = A(:, column) reaches: depth first, so that reversed it is in order. */
  private reach(column: number, k: number): number[] {
    const { start, row } = this.matrix
    const { mark, pivotStep, lowerStart, lowerRow } = this
    const found: number[] = []
    const stack: number[] = []
    const cursor: number[] = []
    const enter = (r: number) => {
      mark[r] = k
      stack.push(r)
      const step = pivotStep[r]!
      cursor.push(step < 0 ? 0 : lowerStart[step]!)
    }
    for (let p = start[column]!; p < start[column + 1]!; p++) {
      if (mark[row[p]!] !== k) enter(row[p]!)
      while (stack.length) {
        const top = stack.length - 1
        const step = pivotStep[stack[top]!]!
        const end = step < 0 ? 0 : lowerStart[step + 1]!
        if (cursor[top]! >= end) {
          found.push(stack.pop()!)
          cursor.pop()
          continue
        }
        const child = lowerRow[cursor[top]!++]!
        if (mark[child] !== k) enter(child)
      }
    }
    return found
  }

  private refactor(): boolean {
    const { size: n, start, row, value } = this.matrix
    const { work, lowerRow, lowerStart, lowerValue, upperStart, upperStep, upperValue, pivotRow } = this
    for (let k = 0; k < n; k++) {
      const column = this.columnOrder[k]!
      for (let q = upperStart[k]!; q < upperStart[k + 1]!; q++) work[pivotRow[upperStep[q]!]!] = 0
      for (let q = lowerStart[k]!; q < lowerStart[k + 1]!; q++) work[lowerRow[q]!] = 0
      work[pivotRow[k]!] = 0
      for (let p = start[column]!; p < start[column + 1]!; p++) work[row[p]!]! += value[p]!
      for (let q = upperStart[k]!; q < upperStart[k + 1]!; q++) {
        const step = upperStep[q]!
        const x = work[pivotRow[step]!]!
        upperValue[q] = x
        for (let l = lowerStart[step]!; l < lowerStart[step + 1]!; l++) {
          work[lowerRow[l]!]! -= lowerValue[l]! * x
        }
      }
      const pivot = work[pivotRow[k]!]!
      let largest = Math.abs(pivot)
      for (let q = lowerStart[k]!; q < lowerStart[k + 1]!; q++) {
        largest = Math.max(largest, Math.abs(work[lowerRow[q]!]!))
      }
      if (!(Math.abs(pivot) > 1e-3 * largest) || !Number.isFinite(largest)) return false
      this.diagonal[k] = pivot
      for (let q = lowerStart[k]!; q < lowerStart[k + 1]!; q++) lowerValue[q] = work[lowerRow[q]!]! / pivot
    }
    return true
  }

  /** Solves A x = b in place: `b` has one entry per row and comes back as x. */
  solve(b: Float64Array): void {
    const { size: n } = this.matrix
    const { work, pivotRow, columnOrder } = this
    work.set(b)
    for (let k = 0; k < n; k++) {
      const x = work[pivotRow[k]!]!
      if (x === 0) continue
      for (let q = this.lowerStart[k]!; q < this.lowerStart[k + 1]!; q++) {
        work[this.lowerRow[q]!]! -= this.lowerValue[q]! * x
      }
    }
    for (let k = n - 1; k >= 0; k--) {
      const x = work[pivotRow[k]!]! / this.diagonal[k]!
      b[columnOrder[k]!] = x
      if (x === 0) continue
      for (let q = this.upperStart[k]!; q < this.upperStart[k + 1]!; q++) {
        work[pivotRow[this.upperStep[q]!]!]! -= this.upperValue[q]! * x
      }
    }
  }
}
