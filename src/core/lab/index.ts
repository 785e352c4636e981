export * from './lesson'
export * from './rotation'
