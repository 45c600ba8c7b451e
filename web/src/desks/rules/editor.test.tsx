import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Company, PlanPart, Rules } from '../../api/types';
import { clean, layOut, serve, showAt } from '../../test/desk';
import { COMPANY, CLOSING } from '../../test/samples';
import { newPlan } from './plan';
import { PlanEditor } from './PlanEditor';

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
  ],
  goalSets: [
    ...COMPANY.goalSets,
    { name: 'stock limit', axis: 'rep', measures: ['revenue'], ranges: [], isRetired: false },
  ],
};

const RULES: Rules = {
  calendar: { startMonth: 7, yearNamedBy: 'end', holidays: [] },
  measures: [],
  plans: [],
  company: { name: 'Saltmarsh Chandlery' },
  assignments: [
    { rep: 'A', plan: 'Field', from: '2026-07' },
    { rep: 'B', plan: 'Lakes', from: '2026-07', until: '2026-12', ramp: ['0.5', '0.75'] },
  ],
  shading: [],
  stretches: [],
  stages: [],
  closing: CLOSING,
  ladders: [],
  approval: { goals: false, plans: false, ladders: false },
  credits: [],
};

const PEOPLE = [
  { rep: 'A', name: 'Ada', region: 'North', plan: 'Field' },
  { rep: 'B', name: 'Bo', region: 'North', plan: null },
  { rep: 'C', name: 'Cleo', region: null, plan: null },
];

function show() {
  const saved: PlanPart[] = [];
  const asked = serve({ 'PUT /rules': RULES });
  showAt(
    <PlanEditor
      company={WIDE}
      initial={newPlan('Lakes', '2026-10', 'revenue', 'quota')}
      isNew
      rules={{ ...RULES, tag: '"1"' }}
      people={PEOPLE}
      month="2026-10"
      onSaved={(plan) => saved.push(plan)}
    />,
    '/rules',
  );
  const sent = async () => {
    await userEvent.click(screen.getByRole('button', { name: 'Save plan' }));
    await screen.findByText('Saved.');
    return asked.find(({ method }) => method === 'PUT')?.body as Rules;
  };
  return { sent, saved };
}

/** A field by how its label begins: what is wrong with it stands in the label too. */
const labelled = (start: string) =>
  screen.getByLabelText((label: string) => label.startsWith(start), { selector: 'input' });

const fill = async (label: string, text: string) => {
  const place = labelled(label);
  await userEvent.clear(place);
  if (text) await userEvent.type(place, text);
};

beforeEach(layOut);
afterEach(clean);

describe('the plan editor', () => {
  it('sends every part as it was entered, percents as shares', async () => {
    const { sent, saved } = show();
    await userEvent.selectOptions(screen.getByLabelText('Measurement period'), 'quarter');
    await userEvent.selectOptions(screen.getByLabelText('Negative commission'), 'hold');
    await userEvent.selectOptions(screen.getByLabelText('Threshold (floor): kind'), 'amount');
    await fill('Threshold (floor)', '80 000,50');
    await userEvent.selectOptions(screen.getByLabelText('Commission starts'), 'above floor');
    await userEvent.selectOptions(screen.getByLabelText('Maximum (ceiling): kind'), 'goalSet');
    await userEvent.selectOptions(
      screen.getByLabelText('Maximum (ceiling): goal set'),
      'stock limit',
    );
    await fill('Cap on pay (blank: none)', '9000');
    await fill('On-target bonus (blank: none)', '1500');
    await userEvent.selectOptions(screen.getByLabelText('Bonus is paid'), 'last month');
    await userEvent.click(
      screen.getByRole('radio', { name: 'to all sales at the highest tier reached' }),
    );
    const rules = await sent();
    expect(rules.plans[0]).toEqual({
      name: 'Lakes',
      since: '2026-10',
      measure: 'revenue',
      goalSet: 'quota',
      window: 'quarter',
      floor: { amount: '80000.50' },
      paidFrom: 'above floor',
      method: 'whole',
      steps: [
        { from: '0', rate: '0.03' },
        { from: '1', rate: '0.05' },
      ],
      bonus: '1500',
      bonusPaid: 'last month',
      ceiling: { goalSet: 'stock limit' },
      cap: '9000',
      negativeDue: 'hold',
    });
    expect(saved).toEqual(rules.plans);
    expect(rules.assignments).toBeUndefined();
  });

  it('asks which is meant where a bound could be a percent or a share', async () => {
    show();
    await fill('Threshold (floor)', '0.8');
    expect(screen.getByRole('button', { name: 'Save plan' })).toBeDisabled();
    const floor = within(screen.getByRole('group', { name: 'Threshold (floor)' }));
    expect(floor.getAllByRole('button').map((one) => one.textContent)).toEqual(['80 %', '0.8 %']);
    await userEvent.click(floor.getByRole('button', { name: '80 %' }));
    expect(screen.getByLabelText('Threshold (floor)')).toHaveValue('80 %');
    expect(screen.getByRole('button', { name: 'Save plan' })).toBeEnabled();
  });

  it('adds steps and takes them out, the last one never', async () => {
    const { sent } = show();
    await userEvent.click(screen.getByRole('button', { name: 'Add tier' }));
    await fill('Tier 3 starts at, % of quota', '120');
    const rates = screen.getAllByLabelText(/^Rate/);
    await userEvent.type(rates[2] as HTMLElement, '8 %');
    await userEvent.click(screen.getByRole('button', { name: 'Remove tier 2' }));
    const rules = await sent();
    expect(rules.plans[0]?.steps).toEqual([
      { from: '0', rate: '0.03' },
      { from: '1.2', rate: '0.08' },
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'Remove tier 2' }));
    expect(screen.getByRole('button', { name: 'Remove tier 1' })).toBeDisabled();
  });

  it('pays amounts for pieces, never asking about percents', async () => {
    const { sent } = show();
    await userEvent.selectOptions(screen.getByLabelText('Credited measure'), 'units');
    const [first, second] = screen.getAllByLabelText(/^Pay per unit/) as [HTMLElement, HTMLElement];
    await userEvent.clear(first);
    await userEvent.type(first, '0.25');
    await userEvent.clear(second);
    await userEvent.type(second, '2');
    const rules = await sent();
    expect(rules.plans[0]?.steps.map(({ rate }) => rate)).toEqual(['0.25', '2']);
  });

  it('says what must be settled at its field', async () => {
    show();
    await fill('Cap on pay (blank: none)', 'much');
    expect(screen.getByText('Correct the marked fields first.')).toBeVisible();
    expect(labelled('Cap on pay')).toHaveAttribute(
      'aria-describedby',
      screen.getByRole('alert').id,
    );
  });
});

describe('who has the plan', () => {
  const has = () => within(screen.getByRole('region', { name: 'Assigned reps' }));
  const names = () =>
    has()
      .queryAllByRole('button', { name: /^Remove / })
      .map((one) => one.closest('li')?.textContent.replace('×', ''));

  it('is listed with months and ramp, and can be taken out', async () => {
    const { sent } = show();
    expect(names()).toEqual(['Bofrom 2026-07 until 2026-12, ramp of 2 months']);
    await userEvent.click(has().getByRole('button', { name: 'Remove Bo' }));
    expect(has().getByRole('heading')).toHaveTextContent('Assigned reps: 0 reps');
    expect((await sent()).assignments).toEqual([{ rep: 'A', plan: 'Field', from: '2026-07' }]);
  });

  it('grows by a rep with a ramp, whose former plan ends the month before', async () => {
    const { sent } = show();
    await userEvent.type(has().getByLabelText(/^Ramp, %/), '50 % 75 %');
    await userEvent.type(has().getByLabelText('Name contains'), 'ad');
    await userEvent.click(await has().findByRole('button', { name: 'Add 1 rep' }));
    expect((await sent()).assignments).toContainEqual({
      rep: 'A',
      plan: 'Lakes',
      from: '2026-10',
      ramp: ['0.5', '0.75'],
    });
  });

  it('adds nobody while the ramp cannot be read', async () => {
    show();
    await userEvent.type(has().getByLabelText(/^Ramp, %/), 'half');
    expect(has().getByRole('alert')).toHaveTextContent('50 % 75 %');
    expect(has().getByRole('button', { name: 'Add 3 reps' })).toBeDisabled();
  });

  it('grows by all who match a filter, named before they are added', async () => {
    show();
    await userEvent.selectOptions(has().getByLabelText('Plan now'), 'no plan');
    expect(has().getByText('Bo, Cleo')).toBeVisible();
    await userEvent.selectOptions(has().getByLabelText('Region'), 'no region');
    await userEvent.click(await has().findByRole('button', { name: 'Add 1 rep' }));
    expect(names()).toContain('Cleofrom 2026-10');
    await userEvent.type(has().getByLabelText('Name contains'), 'nobody');
    expect(await has().findByText('Nobody matches.')).toBeVisible();
    expect(has().getByRole('button', { name: 'Add reps' })).toBeDisabled();
  });

  it('is read from pasted lines, all or none', async () => {
    show();
    await userEvent.click(has().getByText('From a file or pasted lines'));
    const lines = has().getByLabelText(/^One per line/);
    await userEvent.type(lines, 'Z, Lakes{Enter}C, Lakes, 2026-11');
    await userEvent.click(has().getByRole('button', { name: 'Assign these lines' }));
    expect(has().getByRole('alert')).toHaveTextContent('Line 1: there is no rep “Z”.');
    expect(has().getByRole('alert')).toHaveTextContent('Nothing is assigned.');
    expect(names()).toHaveLength(1);
    await userEvent.clear(lines);
    await userEvent.type(lines, 'C, Lakes, 2026-11');
    await userEvent.click(has().getByRole('button', { name: 'Assign these lines' }));
    expect(await has().findByText('1 line assigned.')).toBeVisible();
    expect(names()).toContain('Cleofrom 2026-11');
  });

  it('is read from a file', async () => {
    show();
    await userEvent.upload(
      has().getByLabelText('File of assignments'),
      new File(['rep;plan;from\nA;Lakes;2027-01\nC;Lakes\n'], 'who.csv', { type: 'text/csv' }),
    );
    await waitFor(() => expect(names()).toHaveLength(3));
  });
});
