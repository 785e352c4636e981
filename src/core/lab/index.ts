export * from './lesson'
