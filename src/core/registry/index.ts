export { Registry, UnknownKey } from './registry'
