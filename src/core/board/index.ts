export * from './board'
export * from './solved'
export * from './sensitivity'
