import { t } from '../../words'
import type { RosterDone } from '../../../contract'
import { saveBlob } from '../../parts/download'
import { make, page } from '../../parts/pdf'

/** A slip for each: sign-in name, first password, and where to go; to be cut apart. */
export async function printSlips(people: RosterDone['added']): Promise<void> {
  const address = `${window.location.origin}/sign-in`
  const slip = ({ name, login, password }: RosterDone['added'][number]) => ({
    stack: [
      { text: name, fontSize: 13, bold: true },
      {
        text: t('ui.classes.signInName', { login }),
        fontSize: 11,
        margin: [0, 3, 0, 0] as [number, number, number, number],
      },
      { text: t('ui.classes.firstPassword', { password }), fontSize: 11 },
      { text: t('ui.classes.youChooseYourOwnWhen'), style: 'quiet' },
      { text: address, style: 'quiet' },
    ],
    margin: [4, 6, 4, 6] as [number, number, number, number],
  })
  const rows = people.map((one) => [
    slip(one),
    {
      qr: address,
      fit: 62,
      alignment: 'right' as const,
      margin: [0, 8, 8, 0] as [number, number, number, number],
    },
  ])
  saveBlob(
    'sign-in-slips.pdf',
    await make(
      page(t('ui.classes.signInSlips'), [{ table: { widths: ['*', 90], dontBreakRows: true, body: rows } }]),
    ),
  )
}
