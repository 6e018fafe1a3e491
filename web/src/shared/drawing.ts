import type { Schemas } from './api';

export type Point = Schemas['PointMm'];
export type Stroke = Schemas['Stroke'];

/** SVG path of a line the core drew, mm. */
export const pathOf = (points: readonly Point[], closed = false) =>
  points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(2)} ${p.y.toFixed(2)}`).join('') + (closed ? 'Z' : '');

export const outlinePath = (stroke: Stroke) => pathOf(stroke.points, stroke.closed);

/** The box that holds every point, widened on all sides. */
export function viewBoxOf(points: readonly Point[], margin: number) {
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [x, y] = [Math.min(...xs) - margin, Math.min(...ys) - margin];
  return { x, y, width: Math.max(...xs) + margin - x, height: Math.max(...ys) + margin - y };
}
