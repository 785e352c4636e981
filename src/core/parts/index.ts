export * from './definition'
export * from './registry'
