import { withFields } from '../../core/compose';

test('fields are changed, and taken out where nothing stands in them; the original stays', () => {
  const step: { id: string; cue?: string | undefined; note?: string; n?: number } = {
    id: 'a',
    cue: 'brown',
    n: 0,
  };
  expect(withFields(step, { cue: undefined, note: 'less salt' })).toEqual({
    id: 'a',
    n: 0,
    note: 'less salt',
  });
  expect(withFields(step, { cue: '' })).toEqual({ id: 'a', n: 0 });
  expect(step.cue).toBe('brown');
});
