import type { Attempts } from '../../../contract'
import { byNumber, byText, type Column } from '../../parts/columns'
import { t } from '../../words'

type Attempt = Pick<Attempts['rows'][number], 'at' | 'circuit' | 'tests' | 'total'>

/** Columns that every list of finished attempts has; the cell of `when` leads to the review. */
export const attemptColumns = <A extends Attempt>() =>
  ({
    when: { key: 'when', title: t('ui.common.when'), width: 110, sort: byText((one) => one.at) },
    tests: {
      key: 'tests',
      title: t('ui.ledger.readings'),
      text: (one) => String(one.tests),
      number: true,
      width: 100,
      sort: byNumber((one) => one.tests),
    },
    mark: {
      key: 'mark',
      title: t('ui.common.mark'),
      text: (one) => String(Math.round(one.total)),
      number: true,
      width: 70,
      sort: byNumber((one) => one.total),
    },
  }) satisfies Record<string, Column<A>>
