export * from './lesson'
export * from './rotation'
export * from './skills'
export * from './roster'
