import { writeFileSync } from 'node:fs'
import { attemptJsonSchema, circuitJsonSchema } from '../src/core/formats'

// The published schemas, made from those that the doors use. A test keeps them alike.
writeFileSync('docs/circuit.schema.json', `${JSON.stringify(circuitJsonSchema(), null, 2)}\n`)
writeFileSync('docs/attempt.schema.json', `${JSON.stringify(attemptJsonSchema(), null, 2)}\n`)
