import { INSTRUMENT_IDS } from '@escalier/core/instruments';
import { BELTS } from '@escalier/core/staircase';
import * as z from 'zod/mini';

export const instrumentId = z.enum(INSTRUMENT_IDS);
export const beltId = z.enum(BELTS.map((belt) => belt.id));
