import { useState } from 'react';
import type { Standing } from '../../api/types';
import type { View } from '../../app/useView';
import { amount } from '../../format/figures';
import { Drop, field } from '../../ui/Drop';
import { mainButton } from '../../ui/Notice';
import { ladderTarget } from './ladder';
import { useSaveRules } from './useStanding';

const AMOUNT = /^\d{1,15}([.,]\d{1,4})?$/;

/** From which variance on the shading is of full tone, on either side; kept in the rules. */
export function ToneDrop({ standing, view }: { standing: Standing; view: View }) {
  const { shading } = standing;
  const save = useSaveRules();
  const [good, setGood] = useState(shading.isGoodAutomatic ? '' : shading.good);
  const [bad, setBad] = useState(shading.isBadAutomatic ? '' : shading.bad);
  const isWrong = [good, bad].some((text) => text !== '' && !AMOUNT.test(text));
  const value = shading.isBadAutomatic ? 'the largest' : `−${amount(shading.bad)}`;
  const limit = (text: string) => (text === '' ? 'auto' : text.replace(',', '.'));
  return (
    <Drop label="Full tone at" value={value}>
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate({
            shading: [{ ...ladderTarget(standing, view), good: limit(good), bad: limit(bad) }],
          });
        }}
      >
        <p className="text-quiet">
          A variance of that size or more has the full tone. Empty takes the largest in view, 0 any.
        </p>
        <label className="block">
          <span className="text-quiet">Unfavourable side</span>
          <input
            className={field}
            inputMode="decimal"
            placeholder={amount(shading.bad)}
            value={bad}
            onChange={(event) => setBad(event.target.value)}
          />
        </label>
        <label className="block">
          <span className="text-quiet">Favourable side</span>
          <input
            className={field}
            inputMode="decimal"
            placeholder={amount(shading.good)}
            value={good}
            onChange={(event) => setGood(event.target.value)}
          />
        </label>
        {isWrong && (
          <p role="alert" className="text-bad">
            A limit is an amount such as 60000, without a sign.
          </p>
        )}
        {save.isError && (
          <p role="alert" className="text-bad">
            {save.error.message}
          </p>
        )}
        <button type="submit" className={mainButton} disabled={isWrong || save.isPending}>
          Keep for {standing.measure} against {standing.goal}
        </button>
      </form>
    </Drop>
  );
}
