export { parseQuantity, units, withLengthUnit, type Dimension, type Parsed, type Quantity } from './quantity';
export { decimalsOf, formatLength, formatMoney, lengthUnit, writeLimits, type LengthDisplay } from './say';
