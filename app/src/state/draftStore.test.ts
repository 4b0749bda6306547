import { overZones } from './draftStore';

it('loses no record that was begun when a job had one zone', () => {
  const job = {
    key: 's',
    stepId: 's',
    zoneId: 'z',
    areaFt2: 100,
    materials: [{ slug: 'a' }],
    targets: ['t'],
  };
  const record = { values: { area: '90' }, from: { recordId: 'r', job }, at: 1 };
  const other = { values: {}, from: 'lawn', at: 2 };
  const now = overZones({ drafts: { 'record:s': record, 'pick:l': other, 'record:n': other } });
  expect(now.drafts['record:s']).toEqual({
    ...record,
    from: {
      recordId: 'r',
      job: {
        ...job,
        lines: [
          { stepId: 's', zoneId: 'z', areaFt2: 100, materials: [{ slug: 'a' }], targets: ['t'] },
        ],
      },
    },
  });
  expect([now.drafts['pick:l'], now.drafts['record:n']]).toEqual([other, other]);
  expect(overZones(now)).toEqual(now);
});
