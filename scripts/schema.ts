import { writeFileSync } from 'node:fs'
import { circuitJsonSchema } from '../src/core/formats'

// The published schema of circuit files, made from the one that the door uses. A test keeps the two alike.
writeFileSync('docs/circuit.schema.json', `${JSON.stringify(circuitJsonSchema(), null, 2)}\n`)
