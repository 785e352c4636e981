export * from './board'
export * from './solved'
