import { defineRule } from '../rule'

export const complaintNotVerified = defineRule({
  key: 'complaintNotVerified',
  title: 'Complaint not verified',
  weight: 'slip',
  fires: ({ earlier }) => !earlier.some(({ type }) => type === 'test' || type === 'operate'),
  say: 'The first test came before the complaint had been seen with one’s own eyes.',
  instead: 'Operate the circuit first and note what it does.',
})
