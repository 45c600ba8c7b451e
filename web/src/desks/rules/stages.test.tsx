import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it } from 'vitest';
import type { Rules } from '../../api/types';
import { clean, serve, showAt } from '../../test/desk';
import { StagesPart } from './StagesPart';

afterEach(clean);

const RULES = {
  stages: [{ stage: 'offer out', likelihood: '0.6' }],
  tag: '"1"',
} as unknown as Rules & { tag: string };

it('keeps the likelihood of each stage, and says what cannot be one', async () => {
  const asked = serve({ '/rules': {} });
  showAt(<StagesPart rules={RULES} />, '/rules');
  expect(screen.getByLabelText('Likelihood of stage 1, %')).toHaveValue('60');
  await userEvent.click(screen.getByRole('button', { name: 'Add stage' }));
  expect(screen.getByText('Each stage needs a name.', { exact: false })).toBeVisible();
  await userEvent.type(screen.getByLabelText('Name of stage 2'), 'Offer out');
  expect(screen.getByText('“Offer out” stands twice.', { exact: false })).toBeVisible();
  await userEvent.clear(screen.getByLabelText('Name of stage 2'));
  await userEvent.type(screen.getByLabelText('Name of stage 2'), 'first call');
  await userEvent.type(screen.getByLabelText('Likelihood of stage 2, %'), '120');
  expect(screen.getByText('“first call” needs a percent', { exact: false })).toBeVisible();
  expect(screen.getByRole('button', { name: 'Save stages' })).toBeDisabled();
  await userEvent.clear(screen.getByLabelText('Likelihood of stage 2, %'));
  await userEvent.type(screen.getByLabelText('Likelihood of stage 2, %'), '12.5');
  await userEvent.click(screen.getByRole('button', { name: 'Save stages' }));
  await waitFor(() =>
    expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({
      stages: [
        { stage: 'offer out', likelihood: '0.6' },
        { stage: 'first call', likelihood: '0.125' },
      ],
    }),
  );
});
