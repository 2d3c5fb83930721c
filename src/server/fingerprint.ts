export { sha256 } from '@/db';
