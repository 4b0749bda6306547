import { testZone } from '../program/testdata/testLawn';
import { propertySchema } from '../contract/lawn';
import { siteCautions } from './siteFacts';

const zone = testZone(1, [{ species: 'tall-fescue', cover: 0.9 }]);
const east = Math.max(...zone.outline.map(({ x }) => x));
const pond = (feet: number) => ({
  kind: 'water' as const,
  outline: [
    { x: east + feet, y: 0 },
    { x: east + feet + 10, y: 0 },
    { x: east + feet + 10, y: 10 },
  ],
});
const place = (waterNear: 'none' | 'pond-or-stream', feet?: number) => ({
  features: feet === undefined ? [] : [pond(feet)],
  pins: [],
  property: propertySchema.parse({ waterNear }),
});

it('measures open water that is drawn, also where nobody ticked it', () => {
  expect(siteCautions(place('none', 12), zone)).toEqual([
    { rule: 'site-pond-at', inputs: { feet: 12 } },
  ]);
});
it.each([
  [199, 'site-pond-at'],
  [200, 'site-pond-at'],
  [201, 'site-pond'],
])('water %s ft away: %s', (feet, rule) => {
  expect(siteCautions(place('pond-or-stream', feet), zone).map((one) => one.rule)).toEqual([rule]);
});
it('names the dog that goes here', () => {
  const site = { ...zone.site, dog: true, whichDog: 'Bramble' };
  expect(siteCautions(place('none'), { ...zone, site })).toEqual([
    { rule: 'site-dog', inputs: { who: 'Bramble' } },
  ]);
});
it('says the days of mowing and watering', () => {
  const property = propertySchema.parse({ mowDays: ['sat'], waterDays: ['mon', 'thu'] });
  expect(siteCautions({ features: [], pins: [], property }, zone)).toEqual([
    { rule: 'site-mow-days', inputs: { days: ['sat'] } },
    { rule: 'site-water-days', inputs: { days: ['mon', 'thu'] } },
  ]);
});
