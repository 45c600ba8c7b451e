import { render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { Company, Load } from '../../api/types';
import { COMPANY } from '../../test/samples';
import { Start } from './Start';

const load = (kind: string, state: string) => ({ id: 1, kind, state }) as unknown as Load;

function show(company: Partial<Company>, loads: Load[]) {
  render(
    <MemoryRouter>
      <Start company={{ ...COMPANY, ...company }} loads={loads} />
    </MemoryRouter>,
  );
  return within(screen.getByRole('list', { name: 'Steps to the first standing' }))
    .getAllByRole('listitem')
    .map((step) => step.textContent.replace(/(done|next|open).*/, '$1'));
}

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
