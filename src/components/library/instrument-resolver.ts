import { zodResolver } from '@hookform/resolvers/zod';
import { addInstrumentInput } from '@/contract/people';

/** What checks a tool that is added: fetched when one is, for few who look at the library add one. */
export const instrumentResolver = zodResolver(addInstrumentInput);
