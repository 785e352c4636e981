import { expect, it } from 'vitest'
import { harnessCircuit } from '../../../bench/harness'
import { passwords, startSchool } from '../../../test/school'

it('a circuit too large to judge two faults in says so when it is handed out, and takes one', async () => {
  const school = await startSchool()
  try {
    const orla = await school.signedIn('orla', passwords.orla)
    const { id } = (await orla.post('/api/circuits').send(harnessCircuit(250)).expect(201)).body as {
      id: string
    }
    const list = (await orla.get('/api/students')).body as { id: string; login: string }[]
    const fault = (part: string) => ({ kind: 'highResistance', part, segment: 'copper', severity: 2 })
    const send = (...parts: string[]) =>
      orla.post('/api/orders').send({
        circuit: id,
        students: [list.find((s) => s.login === 'tam')!.id],
        complaint: 'The first lamp is dim.',
        faults: parts.map(fault),
        frame: {
          complaint: [
            { arrangement: { controls: { S1: 'closed' }, detached: [] }, part: 'L1', notice: 'dim' },
          ],
        },
      })
    const refused = await send('W4', 'W5').expect(422)
    expect(refused.text).toContain('attempt.tooLargeForTwo')
    await send('W4').expect(201)
  } finally {
    await school.close()
  }
}, 120_000)
