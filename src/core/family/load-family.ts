import { familySchema, type Family } from './schema';

/** Reads a family from parsed JSON. Throws ZodError with the path of each fault. */
export function loadFamily(json: unknown): Family {
  return familySchema.parse(json);
}
