export * from './csv'
export * from './key-csv'
