import { fireEvent, render, screen } from '@testing-library/react';
import '@/i18n/deepWords';
import { draggedFrame, FramePicker } from './FramePicker';

const frame = { x: 0.1, y: 0.1, width: 0.5, height: 0.5 };

it('moves as it is and stays on the picture', () => {
  expect(draggedFrame(frame, 'move', 0.2, -0.05)).toEqual({ ...frame, x: 0.1 + 0.2, y: 0.05 });
  expect(draggedFrame(frame, 'move', 9, -9)).toEqual({ ...frame, x: 0.5, y: 0 });
});

it('is sized by its corner, never to nothing and never over the edge', () => {
  expect(draggedFrame(frame, 'size', 0.1, 0.2)).toMatchObject({ width: 0.6, height: 0.7 });
  expect(draggedFrame(frame, 'size', -9, 9)).toMatchObject({ width: 0.1, height: 0.9 });
});

it('follows the finger, its corner for itself', () => {
  const frames: unknown[] = [];
  Element.prototype.setPointerCapture = () => undefined;
  render(<FramePicker source="x" frame={frame} onFrame={(next) => frames.push(next)} />);
  const corner = screen.getByTestId('photo-frame-corner');
  fireEvent.pointerMove(corner, { clientX: 5, clientY: 5 });
  expect(frames).toEqual([]);
  fireEvent.pointerDown(corner, { clientX: 0, clientY: 0 });
  fireEvent.pointerMove(corner, { clientX: 0, clientY: 0 });
  fireEvent.pointerUp(corner);
  fireEvent.pointerMove(corner, { clientX: 5, clientY: 5 });
  expect(frames).toHaveLength(1);
});
