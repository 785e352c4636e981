export * from './judge'
export * from './rubric'
export * from './steps'
export * from './verdict'
