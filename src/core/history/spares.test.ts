import type { FamilyPart } from '../family';
import { sparesHeld } from '.';

const part = (name: string, number: string, change: object = {}) =>
  ({ name, number, quantity: 1, ...change }) as unknown as FamilyPart;
const lying = (number: string, quantity: number, elastomer = '') => ({ number, quantity, elastomer, bin: 'B-1' });

test('are the parts of a pump whose number lies on the shelf, in the order of its parts, however the number is written', () => {
  const parts = [part('Wear ring', 'KW1-0502'), part('O-ring', 'KW1-0700', { quantity: 2 }), part('Shaft', 'KW1-0210')];
  const stock = [lying('kw1 0700', 5, 'EPDM'), lying('KW1-0700', 3, 'NBR'), lying('KW1-0502', 1), lying('KW9-1', 7)];
  expect(
    sparesHeld(parts, stock).map(({ name, elastomer, quantity, needs }) => [name, elastomer, quantity, needs]),
  ).toEqual([
    ['Wear ring', '', 1, 1],
    ['O-ring', 'EPDM', 5, 2],
    ['O-ring', 'NBR', 3, 2],
  ]);
});
test('are none of what is used up, of what stays in the pump, and of what left by a conversion', () => {
  const parts = [
    part('Ring', 'A-1'),
    part('Foot', 'A-2', { stays: 'with the frame' }),
    part('Gland', 'A-3', { converted: 'leaves' }),
    part('Face', 'A-4', { converted: 'comes' }),
  ];
  const stock = [lying('A-1', 0), lying('A-2', 4), lying('A-3', 4), lying('A-4', 4)];
  expect(sparesHeld(parts, stock).map(({ name }) => name)).toEqual(['Face']);
});
