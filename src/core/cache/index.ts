export { cached, type CacheOptions } from './cache'
