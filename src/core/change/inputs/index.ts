export * from './sheets';
export * from './bench';
export * from './commerce';
export * from './fields';
export * from './inspection';
export * from './lifecycle';
export * from './receive';
export * from './supply';
