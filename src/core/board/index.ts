export * from './board'
export * from './drawn'
export * from './solved'
export * from './sensitivity'
