import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Company, Load } from '../../api/types';
import { ANALYST, as, clean, serve, showAt } from '../../test/desk';
import { COMPANY } from '../../test/samples';
import { Start } from './Start';

const load = (kind: string, state: string) => ({ id: 1, kind, state }) as unknown as Load;

function show(company: Partial<Company>, loads: Load[]) {
  showAt(as(ANALYST, <Start company={{ ...COMPANY, ...company }} loads={loads} />), '/intake');
  return within(screen.getByRole('list', { name: 'Steps to the first standing' }))
    .getAllByRole('listitem')
    .map((step) => step.textContent.replace(/(done|next|open).*/, '$1'));
}

beforeEach(() => void serve({ '/demo': { isOffered: false } }));
afterEach(clean);

it('offers the demo company where it ships with an empty start, and loads it once asked', async () => {
  const asked = serve({ 'GET /demo': { isOffered: true }, 'POST /demo': null });
  show({ isNamed: false, lastMonth: null }, []);
  await userEvent.click(await screen.findByRole('button', { name: 'Load the demo company' }));
  await waitFor(() => expect(asked.some(({ method }) => method === 'POST')).toBe(true));
});

describe('the steps to the first standing', () => {
  it('begin with the company while it has no name', () => {
    expect(show({ isNamed: false, lastMonth: null }, [])).toEqual([
      '1Set up the company next',
      '2Load the roster open',
      '3Load the products open',
      '4Load the goals open',
      '5Load the actuals open',
      '6Read the first standing open',
    ]);
    expect(screen.getByText('Load the first file.')).toBeVisible();
  });

  it('go on with the first file that is not posted yet, in whatever order files came', () => {
    const steps = show({ lastMonth: null }, [load('goals', 'posted'), load('roster', 'staged')]);
    expect(steps).toEqual([
      '✓Set up the company done',
      '2Load the roster next',
      '3Load the products open',
      '✓Load the goals done',
      '5Load the actuals open',
      '6Read the first standing open',
    ]);
    expect(screen.getByRole('link', { name: 'Sample roster file' })).toHaveAttribute(
      'href',
      '/api/v1/templates/roster.csv?sample=true',
    );
  });
});
