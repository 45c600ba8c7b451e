import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Role } from '../../../api/account';
import type { Company, Standing } from '../../../api/types';
import { useView } from '../../../address/useView';
import { ANALYST, as, clean, layOut, Refused, serve, showAt } from '../../../test/desk';
import { ControlLine } from './ControlLine';
import { COMPANY, STANDING } from '../../../test/samples';

const WIDE: Company = {
  ...COMPANY,
  measures: [
    ...COMPANY.measures,
    {
      code: 'units',
      name: 'Units',
      unit: 'count',
      scale: 0,
      direction: 'HIGHER',
      hasActuals: true,
    },
    { code: 'spend', name: 'Spend', unit: 'EUR', scale: 2, direction: 'LOWER', hasActuals: false },
  ],
  goalSets: [
    ...COMPANY.goalSets,
    { name: 'forecast', axis: 'rep', measures: ['revenue'], ranges: ['revenue'], isRetired: false },
    { name: 'region plan', axis: 'region', measures: ['revenue'], ranges: [], isRetired: false },
    { name: 'budget', axis: 'rep', measures: ['spend'], ranges: [], isRetired: false },
  ],
};

interface Shown {
  standing?: Standing;
  role?: Role;
}

function Line({ standing = STANDING, role = 'analyst' }: Shown) {
  const [view, change] = useView(WIDE);
  return as(
    { ...ANALYST, role },
    <ControlLine company={WIDE} view={view} standing={standing} change={change} />,
  );
}

function show(search = '', shown: Shown = {}) {
  const asked = serve({ '/rules': {}, 'PUT /rules': {} });
  showAt(<Line {...shown} />, `/standing?to=2026-10${search}`);
  return asked;
}

const address = () => screen.getByTestId('address').textContent.replace('?to=2026-10', '');

async function choose(label: string, option: string) {
  await userEvent.click(screen.getByRole('button', { name: new RegExp(`^${label}: `) }));
  await userEvent.click(await screen.findByRole('option', { name: new RegExp(`^${option}`) }));
}

async function options(label: string) {
  await userEvent.click(screen.getByRole('button', { name: new RegExp(`^${label}: `) }));
  return (await screen.findAllByRole('option')).map((option) => option.textContent);
}

beforeEach(layOut);
afterEach(clean);

describe('the control line', () => {
  it('offers goal sets of these rows and measure, derived bases, and none', async () => {
    show();
    expect(await options('Compare with')).toEqual([
      'quota',
      'forecastrange',
      'last year',
      'prior period',
      'nothing',
    ]);
  });

  it('offers goals of the groups as such, and one that is gone by its name', async () => {
    show('&group=region&against=set:wishes');
    expect(await options('Compare with')).toContain('region plana goal per region, not per rep');
    expect(screen.getByRole('option', { name: /^wishes/ })).toHaveTextContent('no longer there');
  });

  it('says of which axis a set is that does not fit the rows', async () => {
    show('&against=set:region%20plan');
    expect(await options('Compare with')).toContain('region plangoals per region');
  });

  it('keeps a derived basis when the rows change, and lets a set of other rows go', async () => {
    show('&against=prior-year&only=A&selected=A&group=region');
    await choose('Rows', 'products');
    expect(address()).toBe('&axis=product&against=prior-year');
  });

  it('takes another measure with its own first goal set', async () => {
    show('&against=set:quota&beside=prior-year');
    expect(await options('Measure')).toEqual(['Revenue, EUR', 'Units']);
    await userEvent.click(screen.getByRole('option', { name: 'Units' }));
    expect(address()).toBe('&measure=units');
  });

  it('takes a factor with a comma, and none that is not above 0', async () => {
    show('&against=prior-year');
    const factor = screen.getByRole('textbox', { name: 'Factor ×' });
    await userEvent.clear(factor);
    await userEvent.type(factor, '1,05{Enter}');
    expect(address()).toBe('&against=prior-year&factor=1.05');
    const now = screen.getByRole('textbox', { name: 'Factor ×' });
    await userEvent.clear(now);
    await userEvent.type(now, '0{Enter}');
    expect(address()).toBe('&against=prior-year&factor=1.05');
  });

  it('has a second basis with a factor of its own, but not the first one again', async () => {
    show('&against=set:quota');
    expect(await options('Second comparison')).toEqual([
      'none',
      'forecastrange',
      'last year',
      'prior period',
    ]);
    await userEvent.click(screen.getByRole('option', { name: 'last year' }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Factor ×' }), '.2{Enter}');
    expect(address()).toBe('&against=set%3Aquota&beside=prior-year&times=1.2');
  });

  it('groups, sorts across groups, and shows another way', async () => {
    show('&folded=North&selected=A');
    await choose('Group by', 'regions');
    expect(address()).toBe('&group=region');
    await userEvent.click(screen.getByRole('button', { name: 'Sort within: each group' }));
    await userEvent.click(await screen.findByRole('option', { name: 'all rows' }));
    await choose('Sort by', 'name');
    await choose('Bars', 'amounts');
    expect(address()).toBe('&group=region&flat=1&sort=name&lanes=amount');
    await choose('Layout', 'months');
    expect(address()).toContain('layout=months');
    expect(screen.queryByRole('button', { name: /^Bars/ })).toBeNull();
  });

  it('lets only analysts set limits, and only the office open the ladder', () => {
    show('', { role: 'manager' });
    expect(screen.queryByRole('button', { name: /^Shading limit/ })).toBeNull();
    expect(screen.getByRole('button', { name: /^Status thresholds/ })).toBeDisabled();
  });

  it('opens and closes the ladder', async () => {
    show();
    await userEvent.click(screen.getByRole('button', { name: 'Status thresholds: 4' }));
    expect(address()).toBe('&panel=ladder');
    await userEvent.click(screen.getByRole('button', { name: 'Status thresholds: 4' }));
    expect(address()).toBe('');
  });

  it('looks ahead from another day of the open month, never of another month', async () => {
    show('', {
      standing: { ...STANDING, openMonth: { asOf: '2026-10-12', elapsed: 8, workingDays: 22 } },
    });
    const day = screen.getByLabelText(/^As of/);
    expect(day.closest('label')).toHaveTextContent('day 8 of 22');
    await userEvent.clear(day);
    await userEvent.type(day, '2026-09-30');
    await userEvent.tab();
    expect(address()).toBe('');
    await userEvent.clear(day);
    await userEvent.type(day, '2026-10-15');
    await userEvent.tab();
    expect(address()).toBe('&asof=2026-10-15');
  });
});

describe('narrowing', () => {
  const only = async () => {
    await userEvent.click(screen.getByRole('button', { name: /^Filter/ }));
    return screen.findByRole('searchbox');
  };

  it('says in words what rows are kept, and shows all again', async () => {
    show('&text=ab&status=near&bottom=3&over=5&low=0.8&high=1.05&region=North');
    expect(screen.getByRole('button', { name: /^Filter/ })).toHaveAccessibleName(
      'Filter: “ab”, near, bottom 3, shortfall over 5, 80 to 105 %',
    );
    await only();
    await userEvent.click(screen.getByRole('button', { name: 'Clear filter' }));
    expect(address()).toBe('&region=North');
    await userEvent.click(screen.getByRole('button', { name: 'Remove filter: region North' }));
    expect(address()).toBe('');
  });

  it('applies the limits together, percentages as shares with their digits', async () => {
    show();
    await only();
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Top or bottom' }), 'top');
    await userEvent.clear(screen.getByRole('spinbutton', { name: 'Rows' }));
    await userEvent.type(screen.getByRole('spinbutton', { name: 'Rows' }), '12');
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'By' }), 'actual');
    await userEvent.type(screen.getByLabelText('Shortfall over'), '1000,50');
    await userEvent.type(screen.getByLabelText('% of goal from'), '33.3');
    await userEvent.click(screen.getByRole('button', { name: 'Apply filter' }));
    expect(address()).toBe('&top=12&by=actual&over=1000.50&low=0.333');
  });

  it('keeps rows of a status, several of them, and of a region', async () => {
    show();
    await only();
    await userEvent.click(screen.getByRole('checkbox', { name: 'near' }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'no goal' }));
    expect(address()).toBe('&status=near&status=no+goal');
    await userEvent.click(screen.getByRole('checkbox', { name: 'near' }));
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Region' }), 'North');
    expect(address()).toBe('&status=no+goal&region=North');
  });

  it('follows the typing of a name', async () => {
    show();
    await userEvent.type(await only(), 'wren');
    await waitFor(() => expect(address()).toBe('&text=wren'));
    expect(screen.getByRole('searchbox')).toHaveValue('wren');
  });
});

describe('the limits of full tone', () => {
  const open = async () => {
    await userEvent.click(screen.getByRole('button', { name: /^Shading limit/ }));
    return within(await screen.findByRole('button', { name: /^Save shading/ }).then(formOf));
  };
  const formOf = (button: HTMLElement) => button.closest('form') as HTMLElement;

  it('are kept for the measure and goal set, empty ones as automatic', async () => {
    const asked = show();
    const form = await open();
    await userEvent.type(form.getByLabelText('Unfavourable variances'), '60000,5');
    await userEvent.click(form.getByRole('button', { name: 'Save shading' }));
    await waitFor(() =>
      expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({
        shading: [
          { measure: 'revenue', goalSet: 'quota', axis: 'rep', bad: '60000.5', good: 'auto' },
        ],
      }),
    );
  });

  it('are no texts or negative amounts', async () => {
    show();
    const form = await open();
    await userEvent.type(form.getByLabelText('Favourable variances'), '-5');
    expect(form.getByText('“-5” is below 0. Write a number from 0.')).toBeVisible();
    expect(form.getByLabelText('Favourable variances')).toBeInvalid();
    expect(form.getByRole('button')).toBeDisabled();
  });

  it('say why they were refused', async () => {
    show('', {
      standing: {
        ...STANDING,
        shading: { good: '20.00', bad: '7.00', isGoodAutomatic: false, isBadAutomatic: false },
      },
    });
    expect(screen.getByRole('button', { name: 'Shading limit: −7.00' })).toBeVisible();
    const form = await open();
    serve({ 'PUT /rules': new Refused(412, 'Somebody changed the rules.') });
    await userEvent.click(form.getByRole('button'));
    expect(await form.findByRole('alert')).toHaveTextContent('Somebody changed');
  });
});
