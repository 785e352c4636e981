import { createGzip, type Gzip } from 'node:zlib'

/**
 * How backups are packed: quickly. Level 4 makes a file that is a sixth smaller and takes a tenth longer (measured on a school
 * of 50,000 attempts).
 */
export const packed = (): Gzip => createGzip({ level: 1, chunkSize: 256 * 1024 })
