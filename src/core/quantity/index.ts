export { formatNumber, formatPlain, formatQuantity, units, type Unit } from './format'
export { parseQuantity, type Parsed } from './parse'
export { areaOfGauge } from './gauge'
