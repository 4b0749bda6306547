import { diagnose, diagnosisInputSchema } from '../diagnosis';
import { localDate } from '../units';
import { historyByZone, protectionOf } from './protection';

const TODAY = localDate('2026-08-20');
const grubs = (date: string, slug = 'chlorantraniliprole') => ({
  id: date,
  zoneId: 'z',
  date,
  areaFt2: 1000,
  materials: [{ kind: 'treatment' as const, slug, amount: 0.3, unit: 'fl-oz' as const }],
});
const found = (on: string, cause = 'white-grub') => ({ cause, on: localDate(on) });

it('is covered while a prevention on record holds', () => {
  expect(protectionOf('z', [grubs('2026-06-01')], [], TODAY)['white-grub']).toBe('covered');
  expect(protectionOf('other', [grubs('2026-06-01')], [], TODAY)).toEqual({});
});
it('has lapsed where it was here, or was prevented, and nothing was done this time', () => {
  expect(protectionOf('z', [], [found('2025-09-01')], TODAY)).toEqual({ 'white-grub': 'lapsed' });
  expect(protectionOf('z', [grubs('2025-06-01')], [], TODAY)['white-grub']).toBe('lapsed');
  expect(protectionOf('z', [], [found('2020-09-01')], TODAY)).toEqual({});
});
it('says nothing where this year’s prevention has run out by itself', () => {
  expect(
    protectionOf('z', [grubs('2026-04-15')], [found('2025-09-01')], TODAY)['white-grub'],
  ).toBeUndefined();
});
it('forgets what is neither insect nor disease', () => {
  expect(protectionOf('z', [], [found('2025-09-01', 'dog-urine')], TODAY)).toEqual({});
});
it('remembers by zone what was found or prevented, this year too, and what a product was for', () => {
  const zones = [{ id: 'z' }, { id: 'other' }];
  const at = (zoneId: string, on: string, cause = 'white-grub') => ({
    zoneId,
    ...found(on, cause),
  });
  const history = (...args: Parameters<typeof historyByZone>) =>
    Object.fromEntries(historyByZone(...args));
  expect(
    history(zones, [], [at('z', '2026-08-01'), at('z', '2021-09-01', 'billbug')], TODAY),
  ).toEqual({ z: ['white-grub'], other: [] });
  // Found in one zone is not found in the next; what is neither insect nor disease has no season.
  expect(history(zones, [], [at('other', '2025-08-01', 'dog-urine')], TODAY)).toEqual({
    z: [],
    other: [],
  });
  // Nobody said what for: what it is usually bought for; somebody did: that.
  expect(history(zones, [grubs('2025-06-01')], [], TODAY).z).toEqual(['white-grub']);
  const meant = { ...grubs('2025-06-01'), targets: ['armyworm', 'billbug'] };
  expect(history(zones, [meant], [], TODAY).z?.sort()).toEqual(['armyworm', 'billbug']);
});
it('moves the diagnosis: less when covered, more when lapsed', () => {
  const p = (state?: 'covered' | 'lapsed') =>
    diagnose(
      diagnosisInputSchema.parse({
        grass: [{ species: 'tall-fescue', cover: 0.9 }],
        zone: 'transition',
        month: 8,
        signs: { 'k-pat-patches': true },
        ...(state ? { protection: { 'white-grub': state } } : {}),
      }),
      'kerb',
    ).posterior.find(({ cause }) => cause === 'white-grub')!.p;
  expect(p('covered')).toBeLessThan(p() / 2);
  expect(p('lapsed')).toBeGreaterThan(p() * 1.2);
});
