/** What a device keeps, so that nothing is lost to a reload, a flat battery or a lost network, and nothing of it is anybody else's. */
export * from './kept';
export * from './offline';
export { ownDevice, whoOwns, type Owner } from './owner';
export * from './said';
export * from './waiting';
