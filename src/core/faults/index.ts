export * from './catalogue'
export * from './fault'
export * from './plant'
export * from './spec'
