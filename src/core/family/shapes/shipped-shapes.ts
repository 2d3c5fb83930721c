import * as z from 'zod';
import endView from '@families/shapes/end-view.json';
import section from '@families/shapes/section.json';
import { shapeSchema, type Shape } from './shape-schema';

const shapes = z.record(z.string(), shapeSchema);

/** The shapes that ship with this version, by view and name, read once. */
export const shippedShapes: Readonly<Record<Shape['view'], Readonly<Record<string, Shape>>>> = {
  section: shapes.parse(section),
  'end view': shapes.parse(endView),
};
