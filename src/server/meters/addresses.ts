import { BlockList, isIP } from 'node:net'

/** Private, link-local and loopback ranges (RFC 1918, RFC 4193, RFC 4291): a meter stands in the workshop. */
const near = new BlockList()
near.addSubnet('127.0.0.0', 8)
near.addSubnet('10.0.0.0', 8)
near.addSubnet('172.16.0.0', 12)
near.addSubnet('192.168.0.0', 16)
near.addSubnet('169.254.0.0', 16)
near.addAddress('::1', 'ipv6')
near.addSubnet('fc00::', 7, 'ipv6')
near.addSubnet('fe80::', 10, 'ipv6')

/** Whether an address is one that a meter of the workshop may have. Names are none: they may lead anywhere tomorrow. */
export function isNear(host: string): boolean {
  const family = isIP(host)
  return family !== 0 && near.check(host, family === 4 ? 'ipv4' : 'ipv6')
}
