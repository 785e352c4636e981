export * from './engine'
export * from './judge'
export * from './rubric'
export * from './verdict'
