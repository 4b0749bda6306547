import { diagnosisInputSchema, localDate, visitSchema, type VisitBody } from '@alfombra/core';
import { diagnose } from '@alfombra/core/walking';
import { fireEvent, render, screen } from '@testing-library/react';
import '@/i18n/deepWords';
import { CannotTellCard } from './CannotTellCard';
import { LaboratoryResults } from './LaboratoryResults';

const mockPut = jest.fn();
jest.mock('@/api/queries', () => ({
  usePutVisit: () => ({ mutate: mockPut, error: null, isPending: false }),
}));

const diagnosis = diagnose(
  diagnosisInputSchema.parse({
    grass: [{ species: 'st-augustine', cover: 1 }],
    zone: 'south',
    month: 5,
    soilTempF: 74,
    signs: { 's-col-lime': true },
  }),
);
const today = localDate('2026-05-08');

it('names who is still in it, what would tell, and sends a sample on a tap', () => {
  const sent: unknown[] = [];
  const { rerender } = render(
    <CannotTellCard
      diagnosis={diagnosis}
      today={today}
      sample={null}
      bad={false}
      onSample={(s) => sent.push(s)}
    />,
  );
  expect(screen.getByTestId('cannot-tell-card').textContent).toMatch(
    /\d+ % · .+What would tell most/,
  );
  fireEvent.click(screen.getByRole('button', { name: 'A plant sample is sent' }));
  expect(sent).toEqual([{ sentOn: today, to: 'the state plant clinic' }]);
  rerender(
    <CannotTellCard
      diagnosis={diagnosis}
      today={today}
      sample={{ sentOn: today, to: '' }}
      bad
      onSample={() => undefined}
    />,
  );
  expect(screen.getByRole('alert').textContent).toBe('Say where it was sent.');
  expect(screen.getByText(/Add no water/)).toBeTruthy();
});

it('turns the result into the finding of the look it belongs to', () => {
  const visit = visitSchema.parse({
    id: '0190a000-0000-7000-8000-0000000000a1',
    version: 3,
    lawnId: '0190a000-0000-7000-8000-00000000000b',
    date: '2026-05-01',
    technician: 'T',
    looks: [
      {
        zoneId: '0190a000-0000-7000-8000-000000000001',
        patchId: null,
        answers: {},
        tests: [],
        leading: [],
        decision: {
          kind: 'cannot-tell',
          lookAgainOn: '2026-05-08',
          sample: { sentOn: '2026-05-01', to: 'the clinic' },
        },
        weeds: [],
      },
    ],
  });
  render(<LaboratoryResults lawnId="x" visits={[visit]} />);
  fireEvent.click(screen.getByTestId('sample-out'));
  fireEvent.change(screen.getByLabelText('The laboratory found'), {
    target: { value: 'take-all-root-rot' },
  });
  fireEvent.click(screen.getByTestId('save-result'));
  const [{ id, body }] = mockPut.mock.calls[0] as [{ id: string; body: VisitBody }];
  expect(id).toBe(visit.id);
  expect(body.looks[0]!.decision).toMatchObject({ cause: 'take-all-root-rot', by: 'laboratory' });
});

it('is silent when nothing is out', () => {
  const { container } = render(<LaboratoryResults lawnId="x" visits={[]} />);
  expect(container.innerHTML).toBe('');
});
