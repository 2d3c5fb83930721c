export * from './commerce';
export * from './jobs';
export * from './people';
export * from './planning';
export * from './supply';
