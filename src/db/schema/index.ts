export * from './commerce';
export * from './jobs';
export * from './keeping';
export * from './people';
export * from './planning';
export * from './supply';
