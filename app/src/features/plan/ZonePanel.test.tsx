import { areaInterval, type Zone } from '@alfombra/core';
import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import '@/i18n/deepWords';
import { testLawn } from '@/testdata/testLawn';
import { ZonePanel } from './ZonePanel';

let latest: Zone;
let removed = 0;

function Host({ zone: first, removable }: { zone: Zone; removable: boolean }) {
  const [zone, setZone] = useState(first);
  const [edge, setEdge] = useState<number | null>(null);
  return (
    <ZonePanel
      zone={zone}
      edge={edge}
      onEdge={setEdge}
      onChange={(next) => {
        latest = next;
        setZone(next);
      }}
      onCutout={() => undefined}
      onRemove={() => (removed += 1)}
      removable={removable}
    />
  );
}

const show = (removable = true) =>
  render(<Host zone={testLawn().zones[0]!} removable={removable} />);
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const area = () => screen.getByTestId('zone-area').textContent ?? '';
const half = () => Number(/± ([\d,]+)/.exec(area())?.[1]?.replace(',', ''));

it('shows the area with its interval, wider when an edge is only assumed', () => {
  show();
  expect(area()).toMatch(/^1,000 ft² ± \d+/);
  const sure = half();
  press(/^Side ?A–B/);
  press('It is assumed');
  expect(latest.edges).toEqual(['assumed', 'confirmed', 'confirmed', 'confirmed']);
  expect(half()).toBeGreaterThan(sure);
  expect(half()).toBe(Math.round((areaInterval(latest).high - areaInterval(latest).low) / 2));
  press('It is confirmed');
  expect(half()).toBe(sure);
});

it('gives a side its length and lets the shape follow', () => {
  show();
  press(/^Side ?A–B/);
  fireEvent.change(screen.getByTestId('side-length'), { target: { value: '60' } });
  press('Set length');
  expect(latest.outline.map(({ x, y }) => [x, y])).toEqual([
    [0, 0],
    [60, 0],
    [60, 20],
    [0, 20],
  ]);
  expect(area()).toMatch(/^1,200/);
});

it('does not take a length of nothing', () => {
  show();
  press(/^Side ?A–B/);
  fireEvent.change(screen.getByTestId('side-length'), { target: { value: '-3' } });
  expect(screen.getByRole('alert').textContent).toBe('A number above 0');
  expect(screen.getByTestId('set-length').getAttribute('aria-disabled')).toBe('true');
});

it('splits a side and takes the corner away again, edge states with it', () => {
  show();
  press(/^Side ?A–B/);
  press('It is assumed');
  press('New corner here');
  expect(latest.outline).toHaveLength(5);
  expect(latest.edges.slice(0, 2)).toEqual(['assumed', 'assumed']);
  press(/^Side ?B–C/);
  press('Take corner B away');
  expect(latest.outline).toHaveLength(4);
  expect(latest.edges).toHaveLength(4);
});

it('keeps a zone in which damage lies', () => {
  show(false);
  expect(screen.getByText('Damaged patches lie in this zone; it stays.')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Take this zone away' })).toBeNull();
  expect(removed).toBe(0);
});

it('shows and takes metres when the technician measures in them', () => {
  show();
  press('Meters');
  // 1000 ft² are 92.9 m²; 60 ft are 18.288 m (international foot, exact).
  expect(area()).toMatch(/^92\.9 m² ± [\d.]+/);
  press(/^Side ?A–B/);
  expect(screen.getAllByText('15.24 m')).toHaveLength(2);
  fireEvent.change(screen.getByTestId('side-length'), { target: { value: '18.288' } });
  press('Set length');
  expect(latest.outline[1]!.x).toBeCloseTo(60, 6);
  press('Feet');
  expect(screen.getAllByText('60 ft')).toHaveLength(2);
});
