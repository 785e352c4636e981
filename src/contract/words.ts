export { english, tell } from '../core/words'
