export * from './meter'
export * from './ohmmeter'
export * from './registry'
export * from './voltmeter'
