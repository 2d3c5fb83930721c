export * from './backup-format';
export * from './backups';
