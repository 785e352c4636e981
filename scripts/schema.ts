import { writeFileSync } from 'node:fs'
import { attemptJsonSchema, circuitJsonSchema } from '../src/core/formats'
import { lessonJsonSchema } from '../src/core/lab'
import { tell } from '../src/core/words'

// The published schemas, made from those that the doors use. A test keeps them alike.
writeFileSync('docs/circuit.schema.json', `${JSON.stringify(circuitJsonSchema(tell), null, 2)}\n`)
writeFileSync('docs/lesson.schema.json', `${JSON.stringify(lessonJsonSchema(), null, 2)}\n`)
writeFileSync('docs/attempt.schema.json', `${JSON.stringify(attemptJsonSchema(), null, 2)}\n`)
