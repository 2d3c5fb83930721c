export { cornersOf, type Corner } from './corners';
export { drawShape, faultsOfShape, givenNames, type Drawn as DrawnShape, type ShapeInput } from './draw-shape';
export { shapeSchema, shapeWord, type Shape } from './shape-schema';
export { shippedShapes } from './shipped-shapes';
