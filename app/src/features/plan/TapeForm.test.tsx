import { polygonArea, type Point } from '@alfombra/core';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import '@/i18n/deepWords';
import { useDraftStore } from '@/state/draftStore';
import { usePreferenceStore } from '@/state/preferenceStore';
import { numberText } from '@/ui';
import { TapeForm } from './TapeForm';

function show(paced = false): Point[][] {
  const shapes: Point[][] = [];
  render(<TapeForm draftKey="t" paced={paced} onOutline={(outline) => shapes.push(outline)} />);
  return shapes;
}
const fill = (label: RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label, { selector: 'input' }), { target: { value } });
const choose = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

beforeEach(() => {
  useDraftStore.setState({ drafts: {} });
  usePreferenceStore.setState({
    lengthUnit: 'ft',
    pace: { paces: numberText(40), feet: numberText(100) },
  });
});

it('gives the outline of a rectangle in feet', async () => {
  const shapes = show();
  fill(/^Length/, '40');
  fill(/^Width/, '25');
  expect(screen.getByText('1,000 ft²')).toBeTruthy();
  press('Use this shape');
  await waitFor(() => expect(shapes).toHaveLength(1));
  expect(polygonArea(shapes[0]!)).toBe(1000);
});

it('takes metres', async () => {
  const shapes = show();
  press('Meters');
  fill(/^Length/, '10');
  fill(/^Width/, '2.5');
  press('Use this shape');
  // 25 m² are 269.1 ft² (international foot).
  await waitFor(() => expect(shapes).toHaveLength(1));
  expect(polygonArea(shapes[0]!)).toBeCloseTo(269.1, 1);
});

it('turns paces into feet by the technician’s own count', async () => {
  const shapes = show(true);
  fill(/^Length/, '20');
  fill(/^Width/, '8');
  press('Use this shape');
  // 40 paces over 100 ft are 2.5 ft each: 50 by 20 ft.
  await waitFor(() => expect(shapes).toHaveLength(1));
  expect(polygonArea(shapes[0]!)).toBeCloseTo(1000, 6);
});

it('says at the side why three sides make no triangle, and gives nothing', async () => {
  const shapes = show();
  choose('Three sides');
  fill(/^First side/, '3');
  fill(/^Second side/, '4');
  fill(/^Third side/, '9');
  press('Use this shape');
  expect((await screen.findByRole('alert')).textContent).toMatch(/longer than the third/);
  expect(shapes).toEqual([]);
});

it('reads offsets and wants an odd count for the curved rule', async () => {
  const shapes = show();
  choose('Offsets');
  choose('Curved (odd count)');
  fill(/^Step/, '10');
  fill(/^Offsets/, '8 14 19 22 20 15');
  press('Use this shape');
  expect((await screen.findByRole('alert')).textContent).toMatch(/odd count/);
  fill(/^Offsets/, '8 14 19 22 20 15 9');
  press('Use this shape');
  // Simpson over six intervals of 10 ft, hand-computed.
  await waitFor(() => expect(shapes).toHaveLength(1));
  expect(polygonArea(shapes[0]!)).toBeCloseTo(996.7, 1);
});

it('does not take a pacer without paces', async () => {
  const shapes = show(true);
  fill(/^My paces/, '0');
  fill(/^Length/, '20');
  fill(/^Width/, '8');
  press('Use this shape');
  expect((await screen.findAllByRole('alert')).length).toBeGreaterThan(0);
  expect(shapes).toEqual([]);
});
