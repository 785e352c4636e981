import { BlockList, isIP } from 'node:net'

/** Private ranges (RFC 1918, RFC 4193): a meter stands in the workshop. */
const workshop = new BlockList()
workshop.addSubnet('10.0.0.0', 8)
workshop.addSubnet('172.16.0.0', 12)
workshop.addSubnet('192.168.0.0', 16)
workshop.addSubnet('fc00::', 7, 'ipv6')

/**
 * This machine itself (RFC 1122, RFC 4291): other programs of the server listen there, which are nobody's business but
 * its own. Link-local addresses (RFC 3927) are never a meter's: services of hosting machines answer there.
 */
const thisMachine = new BlockList()
thisMachine.addSubnet('127.0.0.0', 8)
thisMachine.addAddress('::1', 'ipv6')

/** Which addresses a meter may have. */
export interface MeterPlaces {
  /** Also this machine itself: for the stand-in, if whoever runs the server allows it. */
  readonly onLoopback: boolean
}

/** Whether an address is one that a meter of the workshop may have. Names are none: they may lead anywhere tomorrow. */
export function mayBeMeter(host: string, { onLoopback }: MeterPlaces): boolean {
  const family = isIP(host)
  if (family === 0) return false
  const kind = family === 4 ? 'ipv4' : 'ipv6'
  return workshop.check(host, kind) || (onLoopback && thisMachine.check(host, kind))
}
