import type { UseFormReturn } from 'react-hook-form';
import type { ZoneDraft, ZoneRead } from './zoneDraft';

/** The form that the cards of the zone's screen are parts of. */
export type ZoneForm = UseFormReturn<ZoneDraft, unknown, ZoneRead>;
