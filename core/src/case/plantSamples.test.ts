import type { Look } from '../contract/visit';
import { localDate } from '../units';
import { samplesOut, withLaboratoryResult } from './plantSamples';

const plain: Look = {
  zoneId: '0190a000-0000-7000-8000-000000000001',
  patchId: null,
  answers: {},
  tests: [],
  fieldTests: [],
  leading: [],
  decision: null,
  weeds: [],
  pointCount: undefined,
};
const sample = { sentOn: localDate('2026-04-02'), to: 'the clinic' };
const doubtful: Look = {
  ...plain,
  decision: { kind: 'cannot-tell', lookAgainOn: localDate('2026-04-09'), sample },
};
const first = { date: localDate('2026-04-02'), looks: [plain, doubtful] };

it('is out until its result has come', () => {
  expect(samplesOut([first])).toEqual([{ visit: first, look: 1, ...sample }]);
  expect(samplesOut([withLaboratoryResult(first, 1, 'take-all-root-rot')])).toEqual([]);
});
it('turns its look into a finding of the laboratory, and leaves the others', () => {
  const answered = withLaboratoryResult(first, 1, 'take-all-root-rot');
  expect(answered.looks[0]).toEqual(plain);
  expect(answered.looks[1]!.decision).toMatchObject({
    kind: 'cause',
    cause: 'take-all-root-rot',
    by: 'laboratory',
  });
});
