import { getData } from '../act/get-data';
import { useFound } from '../shell/use-hits';

/** A customer, with one of its contacts. */
export interface KnownCustomer {
  readonly id: string;
  readonly name: string;
  readonly contactName: string | null;
  readonly email: string | null;
  readonly phone: string | null;
}

/** Whom the shop works for already, by what was typed of the name. */
interface FoundCustomers {
  readonly customers: readonly KnownCustomer[];
  /** Names that may be meant by it: a letter or two apart. */
  readonly twins: readonly string[];
}

const findCustomers = (text: string, signal: AbortSignal) =>
  getData<FoundCustomers>(`/api/find/customers?text=${encodeURIComponent(text)}`, signal);

/** The customers that a text may mean, of however many the shop has; null until somebody answers. */
export const useCustomers = (text: string): FoundCustomers | null => useFound(text, findCustomers);
