import { describe, expect, it } from 'vitest';
import { choiceAfter } from './picks';

const ORDER = ['A', 'B', 'C', 'D'];
const NONE = { ctrlKey: false, metaKey: false, shiftKey: false };
const CTRL = { ...NONE, ctrlKey: true };
const SHIFT = { ...NONE, shiftKey: true };

describe('a click on a row', () => {
  it('chooses it alone', () => {
    expect(choiceAfter({ selected: 'A', picked: ['A', 'B'] }, ORDER, 'C', NONE)).toEqual({
      selected: 'C',
      picked: null,
    });
  });

  it('takes the chosen row along with Ctrl, then adds and takes out', () => {
    const two = choiceAfter({ selected: 'A', picked: [] }, ORDER, 'C', CTRL);
    expect(two).toEqual({ selected: 'C', picked: ['A', 'C'] });
    expect(choiceAfter({ selected: 'C', picked: ['A', 'C'] }, ORDER, 'B', CTRL).picked).toEqual([
      'A',
      'C',
      'B',
    ]);
    expect(choiceAfter({ selected: 'C', picked: ['A', 'C'] }, ORDER, 'C', CTRL)).toEqual({
      selected: 'A',
      picked: null,
    });
  });

  it('reads all between with Shift, either way', () => {
    expect(choiceAfter({ selected: 'D', picked: [] }, ORDER, 'B', SHIFT).picked).toEqual([
      'B',
      'C',
      'D',
    ]);
  });

  it('leaves out what cannot be added up, such as a total', () => {
    expect(choiceAfter({ selected: 'A', picked: [] }, ORDER, '*', CTRL)).toEqual({
      selected: '*',
      picked: null,
    });
  });
});
