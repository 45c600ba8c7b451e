import { describe, expect, it } from 'vitest';
import { faultOf, isShareScale, ladderBody, type RungDraft } from './ladder';

describe('bounds of a ladder while they are typed', () => {
  const rung = (name: string, bound: string, isAbove = false): RungDraft => ({
    name,
    tone: 'good',
    bound,
    isAbove,
  });

  it.each([
    [[], 'At least one threshold'],
    [[rung('', '')], 'needs a name'],
    [[rung('a', ''), rung('A', '1')], 'Two thresholds are called “a”'],
    [[rung('a', ''), rung('b', 'much')], '“much” is not a number'],
    [[rung('a', ''), rung('b', '60,000')], 'can be read as 60000 or as 60.000'],
    [[rung('a', ''), rung('b', '')], 'needs a number'],
    [[rung('a', ''), rung('b', '90'), rung('c', '80')], '“c” must start above “b”'],
    [[rung('a', ''), rung('b', '90'), rung('c', '90')], 'start at the same number'],
  ])('%j is refused', (rungs, words) => {
    expect(faultOf(rungs)).toContain(words);
  });

  it('may be the same where only the second is above', () => {
    expect(faultOf([rung('a', ''), rung('b', '0'), rung('c', '0', true)])).toBeNull();
  });

  it('travel as ratios where the scale is a share', () => {
    expect(
      ladderBody(
        { measure: 'revenue' },
        { scale: 'percent-to-goal', perMonth: false, rungs: [rung('a', ''), rung('b', '97,5')] },
        'EUR',
        '2026-10',
      ),
    ).toEqual({
      measure: 'revenue',
      since: '2026-10',
      scale: 'percent-to-goal',
      rungs: [
        { name: 'a', tone: 'good' },
        { name: 'b', tone: 'good', from: '0.975', bound: 'at or above' },
      ],
    });
    expect(isShareScale('value', 'rate')).toBe(true);
    expect(isShareScale('value', 'EUR')).toBe(false);
  });
});
