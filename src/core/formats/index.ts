export * from './csv'
export * from './key-csv'
export * from './spice'
