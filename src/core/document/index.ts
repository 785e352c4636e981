export { cautions } from './cautions'
export * from './door'
export * from './message'
export * from './problem'
