export * from './format'
export * from './parse'
