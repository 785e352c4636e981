import type { FaultDefinition } from '../definition'

export const dragging: FaultDefinition = {
  kind: 'dragging',
  title: 'Dragging',
  built: 'Brake the shaft lightly with a felt pad.',
  describe: () => 'drags: three times its friction',
  strike: ({ elements }) => [...elements],
}
