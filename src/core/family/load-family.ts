import { bringUpToDate } from './formats';
import { familySchema, type Family } from './schema';

/** Reads a family from parsed JSON, of this format or an older one. Throws ZodError with the path of each fault. */
export function loadFamily(json: unknown): Family {
  return familySchema.parse(bringUpToDate(json));
}
