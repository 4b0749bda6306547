import type { LocalDate } from '../units';
import type { Decided, WorkPin } from './seasonInput';

/** Two that were set on one day have an order of their own, so that it does not matter in which they came. */
const later = (a: WorkPin, b: WorkPin): WorkPin => {
  const word = (pin: WorkPin) => `${pin.on ?? ''} ${JSON.stringify(pin)}`;
  return word(a) > word(b) ? a : b;
};

/** Jobs that somebody set, one for each work: those whose day is over, and older words, left out. */
export function pinsOf({
  decisions,
  today,
}: {
  decisions: readonly Decided[];
  today: LocalDate;
}): WorkPin[] {
  const byWork = new Map<string, WorkPin>();
  for (const pin of decisions) {
    if (pin.kind !== 'pin') continue;
    const other = byWork.get(pin.work);
    byWork.set(pin.work, other ? later(other, pin) : pin);
  }
  return [...byWork.values()]
    .filter(({ date }) => date === undefined || date >= today)
    .sort((a, b) => (a.work < b.work ? -1 : 1));
}
