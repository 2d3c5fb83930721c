export { NothingHere as default } from '../not-found';
