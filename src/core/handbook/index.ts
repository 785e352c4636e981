export * from './calculator'
export { calculators } from './calculators/registry'
export * from './tables'
