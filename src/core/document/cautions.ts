import { phrases } from './message'

/**
 * Cautions that stand where the hazard is. Common practice, no source; the vehicle maker's data, local code and licensed
 * practice come before them.
 */
export const cautions = phrases('cautions', {
  batteries: 'Eye protection on and jewellery off at the battery; no sparks: it gives off hydrogen.',
  disconnectBeforeOhms: 'Disconnect before ohms: battery strap off, the piece unplugged at one end.',
  neverAcrossSource: 'Never an ammeter across a source: it is a short.',
  fuseJumpers: 'Fuse every jumper like the circuit that it feeds; never across a load.',
  noLoadIntoModules: 'Never load a pin of an electronic module.',
  startsAnyway: 'What it feeds starts whatever the key says: hands, hair and tools clear of it first.',
  longLeads: 'Long leads on a battery’s positive: a spark hazard. Clip them on last, take them off first.',
  cranking:
    'Park or neutral, parking brake on, ignition disabled before anybody cranks; hands clear of belts and fan.',
  outOfBounds:
    'Supplementary restraint and high-voltage (orange) wiring: out of bounds without the maker’s procedure and the licence it needs.',
  heatInTime: 'A fault that makes heat has a time limit: say it, keep it, and let it cool.',
  hot: 'Lamps and loads get hot: seconds only, clear of hands and plastics.',
})
