import { fieldsOf } from '.';

const column = (id: string, more: object = {}) => ({ id, title: id, unit: 'mm', ...more });

test('each cell goes to its place in the sum’s input, and to nothing where it says that there is nothing', () => {
  const columns = [
    column('gap'),
    column('rim_top', { field: 'rim.top_mm' }),
    column('rim_left', { field: 'rim.left_mm' }),
    column('before', { choices: ['nothing', 'lithium'], none: 'nothing' }),
  ];
  const row = { gap: 1.5, rim_top: 0.1, rim_left: 0.2 };
  expect(fieldsOf(columns, { ...row, before: 'nothing' })).toEqual({
    gap: 1.5,
    rim: { top_mm: 0.1, left_mm: 0.2 },
  });
  expect(fieldsOf(columns, { ...row, before: 'lithium' })).toMatchObject({ before: 'lithium' });
  expect(fieldsOf(columns, {})).toEqual({});
});
