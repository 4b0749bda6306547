import type { NumberText } from '@/ui/numberText';
import { clockOf, KERB_LASTS_MS, kerbNoteOf, openedAt } from './kerbStore';

const NOW = new Date(2026, 3, 8, 10, 30).getTime();
const note = {
  lawnId: 'a',
  at: NOW,
  seen: { bloom: true },
  wind: '6' as NumberText,
  windFrom: 'W' as const,
};
const NOTHING = { seen: {}, wind: '', windFrom: '' };

it('holds what was seen for an hour and for its lawn alone', () => {
  const after = (ms: number, lawn = 'a') => kerbNoteOf(note, lawn, NOW + ms);
  expect(after(0)).toMatchObject({ wind: '6', windFrom: 'W', seen: { bloom: true } });
  expect(after(KERB_LASTS_MS)).toMatchObject({ wind: '6' });
  expect(after(KERB_LASTS_MS + 1)).toEqual(NOTHING);
  expect(after(0, 'b')).toEqual(NOTHING);
  // A clock that was set back knows nothing either.
  expect(after(-1)).toEqual(NOTHING);
  expect(kerbNoteOf(null, 'a', NOW)).toEqual(NOTHING);
});

it('tells when a card was opened, on the same day and within half a day', () => {
  const hours = (count: number) => NOW + count * 3_600_000;
  expect(openedAt({ s: NOW }, 's', hours(1))).toBe('10:30');
  expect(openedAt({ s: NOW }, 'other', hours(1))).toBe('');
  expect(openedAt({ s: NOW }, 's', hours(12))).toBe('');
  expect(openedAt({ s: hours(13) }, 's', hours(13.6))).toBe('');
  expect(clockOf(new Date(2026, 3, 8, 7, 5).getTime())).toBe('07:05');
});
