import * as z from 'zod';
import { listedStations } from './worked';

/** Minutes that the family, as the pump is built, reckons for each station. */
export const standardMinutesSchema = z.record(z.enum(listedStations), z.number());
