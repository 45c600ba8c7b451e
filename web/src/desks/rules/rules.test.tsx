import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { PlanTrial, Rules } from '../../api/types';
import { Refused, clean, layOut, serve, showAt } from '../../test/desk';
import { asPercent, shifted } from '../../format/figures';
import { COMPANY, CLOSING } from '../../test/samples';
import {
  assignedAll,
  fromDraft,
  newPlan,
  readPasted,
  readPercent,
  readRamp,
  toDraft,
  UNCLEAR_RATE,
} from './plan';
import { RulesDesk } from './RulesDesk';

const RULES: Rules = {
  calendar: { startMonth: 7, yearNamedBy: 'end', holidays: [] },
  measures: [],
  plans: [
    {
      name: 'Field',
      since: '2026-07',
      measure: 'revenue',
      goalSet: 'quota',
      window: 'month',
      floor: { percent: '0.8' },
      paidFrom: 'first unit',
      method: 'sliced',
      steps: [
        { from: '0', rate: '0.03' },
        { from: '1', rate: '0.05' },
      ],
      bonus: '900.00',
      bonusPaid: 'when reached',
      negativeDue: 'recover',
    },
  ],
  company: { name: 'Saltmarsh Chandlery' },
  assignments: [{ rep: 'A', plan: 'Field', from: '2026-07' }],
  shading: [],
  stretches: [],
  stages: [],
  closing: CLOSING,
  ladders: [],
  approval: { goals: false, plans: false, ladders: false },
  credits: [],
};

const RECORD = { entries: 12, seals: 1, head: 'ab12', isWhole: true, faults: [] };

const TRIAL: PlanTrial = {
  months: ['2026-08', '2026-09', '2026-10'],
  quota: '100.00',
  floor: '80.00',
  ceiling: null,
  curveNow: [],
  budget: null,
  curve: [
    { sales: '0.00', pay: '0.00' },
    { sales: '170.00', pay: '10.00' },
  ],
  reps: [
    {
      rep: 'A',
      name: 'Ada',
      before: ['1.00', '2.00', '3.00'],
      after: [null, '2.00', '4.50'],
      beforeWhy: [null, null, null],
      afterWhy: ['no plan', null, null],
      change: '1.50',
    },
  ],
  before: '6.00',
  after: '7.50',
};

const PEOPLE = [
  { rep: 'A', name: 'Ada', region: 'North', plan: null },
  { rep: 'B', name: 'Bo', region: 'North', plan: null },
  { rep: 'C', name: 'Cleo', region: 'South', plan: null },
];

const ALL = { '/rules': RULES, '/earnings?': PEOPLE, '/trial': TRIAL };

beforeEach(layOut);
afterEach(clean);

function show(search = '') {
  showAt(<RulesDesk company={COMPANY} />, `/rules?to=2026-10${search}`);
}

describe('the rules desk', () => {
  it('shows what a plan costs over a year, its budget, and the curve in force beside it', async () => {
    const asked = serve({
      ...ALL,
      '/trial': { ...TRIAL, budget: '7.00', curveNow: [{ sales: '0.00', pay: '5.00' }] },
    });
    show();
    const effect = await screen.findByRole('complementary', { name: 'Effect' });
    expect(await within(effect).findByText('(budget of all plans: 7.00)')).toBeVisible();
    expect(within(effect).getByText('Dashed: the plan in force')).toBeVisible();
    await userEvent.click(within(effect).getByRole('radio', { name: '12 months' }));
    await waitFor(() => expect(asked.some(({ path }) => path.includes('months=12'))).toBe(true));
    const form = screen.getByRole('form', { name: 'Plan Field' });
    await userEvent.click(within(form).getByRole('button', { name: 'Add 3 reps' }));
    expect(within(form).getByRole('button', { name: /Cleo/ })).toBeVisible();
    await userEvent.selectOptions(
      within(effect).getByRole('combobox', { name: 'Compared with' }),
      'Field from July 2026, in every month',
    );
    await waitFor(() => expect(asked.some(({ path }) => path.includes('beside=Field'))).toBe(true));
    expect(
      await within(effect).findByText('Dashed: Field from July 2026, in every month'),
    ).toBeVisible();
  });

  it('shows a plan beside its effect, and saves it with its assignments', async () => {
    const asked = serve(ALL);
    show();
    const form = await screen.findByRole('form', { name: 'Plan Field' });
    const effect = screen.getByRole('complementary', { name: 'Effect' });
    expect(await within(effect).findByText('7.50')).toBeVisible();
    expect(within(effect).getByText('+1.50')).toBeVisible();
    const rates = within(form).getAllByRole('textbox', { name: 'Rate' });
    await userEvent.clear(rates[1] as HTMLElement);
    await userEvent.type(rates[1] as HTMLElement, '6.5 %');
    await userEvent.selectOptions(within(form).getByRole('combobox', { name: 'Region' }), 'North');
    await userEvent.click(within(form).getByRole('button', { name: /^Add \d rep/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Save plan' }));
    expect(await screen.findByText('Saved.')).toBeVisible();
    const sent = asked.find(({ method }) => method === 'PUT')?.body as Rules;
    expect(sent.plans[0]?.steps[1]).toEqual({ from: '1', rate: '0.065' });
    expect(sent.assignments).toEqual([
      { rep: 'A', plan: 'Field', from: '2026-07' },
      { rep: 'B', plan: 'Field', from: '2026-07' },
    ]);
  });

  it('asks where a rate could be a percent or a share, and does not save before', async () => {
    serve(ALL);
    show();
    const form = await screen.findByRole('form', { name: 'Plan Field' });
    const rate = within(form).getAllByRole('textbox', { name: 'Rate' })[0] as HTMLElement;
    await userEvent.clear(rate);
    await userEvent.type(rate, '0.03');
    expect(await within(form).findByRole('alert')).toHaveTextContent('Ambiguous number.');
    expect(screen.getByRole('button', { name: 'Save plan' })).toBeDisabled();
    await userEvent.click(within(form).getByRole('button', { name: '3 %' }));
    expect(rate).toHaveValue('3 %');
    expect(screen.getByRole('button', { name: 'Save plan' })).toBeEnabled();
  });

  it('says at the field what the server refuses', async () => {
    serve(ALL);
    const fetched = globalThis.fetch;
    globalThis.fetch = (path, init) =>
      (path as string).includes('/trial')
        ? Promise.resolve(
            new Response(
              JSON.stringify({
                code: 'playbook-invalid',
                detail: 'The floor is over the ceiling.',
                place: 'plans[0].floor',
              }),
              { status: 400 },
            ),
          )
        : fetched(path, init);
    show();
    const floor = await screen.findByRole('group', { name: 'Threshold (floor)' });
    expect(await within(floor).findByRole('alert')).toHaveTextContent('over the ceiling');
  });

  it('begins a plan from nothing or from another', async () => {
    serve(ALL);
    show();
    await userEvent.click(await screen.findByRole('button', { name: 'Copy Field' }));
    const form = await screen.findByRole('form', { name: 'New plan' });
    expect(within(form).getByRole('textbox', { name: 'Name' })).toHaveValue('Field copy');
    await userEvent.click(screen.getByRole('button', { name: 'Add plan' }));
    expect(await screen.findByText('Enter a name for the plan.')).toBeVisible();
  });

  it('removes a version, and puts it back as it was', async () => {
    const before = { ...RULES.plans[0], since: '2026-01' };
    const asked = serve({ ...ALL, '/rules': { ...RULES, plans: [before, ...RULES.plans] } });
    show('&plan=Field&since=2026-01');
    await userEvent.click(
      await screen.findByRole('button', { name: 'Remove the version effective from January 2026' }),
    );
    expect(await screen.findByText('Field, from January 2026, is removed.')).toBeVisible();
    const sent = () => asked.filter(({ method }) => method === 'PUT').map(({ body }) => body);
    expect(sent()).toEqual([{ plans: [{ name: 'Field', since: '2026-01', remove: true }] }]);
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(sent()[1]).toEqual({ plans: [before] }));
    await waitFor(() => expect(screen.queryByText(/is removed/)).toBeNull());
  });

  it('says who still has a plan that should go', async () => {
    serve(ALL);
    const fetched = globalThis.fetch;
    globalThis.fetch = (path, init) =>
      init?.method === 'PUT'
        ? Promise.resolve(
            new Response(
              JSON.stringify({
                code: 'playbook-invalid',
                detail: '…',
                rule: '"Field" still has A',
              }),
              { status: 400 },
            ),
          )
        : fetched(path, init);
    show();
    await userEvent.click(await screen.findByRole('button', { name: 'Remove Field' }));
    expect(await screen.findByText('"Field" still has A.')).toHaveRole('alert');
  });

  it('sets the company’s name, day and way of writing', async () => {
    const saved = {
      ...RULES,
      company: { name: 'Reef', timeZone: 'Asia/Tokyo', writing: { decimal: ',', grouping: '.' } },
    };
    const asked = serve({ ...ALL, 'PUT /rules': saved });
    show('&show=company');
    const form = within(await screen.findByRole('form', { name: 'Company' }));
    expect(form.getByLabelText('Numbers')).toHaveValue('');
    await userEvent.clear(form.getByLabelText('Company name'));
    await userEvent.type(form.getByLabelText('Company name'), 'Reef');
    await userEvent.type(form.getByLabelText('Time zone'), 'Asia/Tokyo');
    await userEvent.selectOptions(form.getByLabelText('Numbers'), '1.234,50');
    await userEvent.selectOptions(form.getByLabelText('Dates'), 'dmy');
    await userEvent.click(form.getByRole('button', { name: 'Save company' }));
    expect(await form.findByText('Saved.')).toBeVisible();
    expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({
      company: {
        name: 'Reef',
        timeZone: 'Asia/Tokyo',
        writing: { decimal: ',', grouping: '.', dates: 'dmy', weekStart: null },
      },
    });
  });

  it('says at the field what is wrong with the company', async () => {
    serve({ ...ALL, 'PUT /rules': new Refused(400, 'No such zone.', 'company.timeZone') });
    show('&show=company');
    const form = within(await screen.findByRole('form', { name: 'Company' }));
    await userEvent.type(form.getByLabelText('Time zone'), 'Mars');
    await userEvent.click(form.getByRole('button', { name: 'Save company' }));
    expect(await form.findByText('No such zone.')).toBeVisible();
  });

  it('names what was changed in the record', async () => {
    serve({ '/audit': [], '/record': { ...RECORD, isWhole: false, faults: ['Entry 3 differs.'] } });
    show('&show=trail');
    expect(await screen.findByRole('alert')).toHaveTextContent('Entry 3 differs.');
  });

  it('lists accepted names, and takes one back', async () => {
    const name = {
      axis: 'rep',
      text: 'Bracky',
      member: 'K1',
      acceptedBy: 'Ada',
      acceptedAt: '2026-11-02T10:00:00Z',
    };
    const asked = serve({ '/names': [name], 'DELETE /names': [] });
    show('&show=names');
    const row = (await screen.findByText('Bracky')).closest('tr');
    expect(row).toHaveTextContent('rep K1Ada');
    await userEvent.click(screen.getByRole('button', { name: 'Delete Bracky' }));
    await waitFor(() =>
      expect(asked.map((one) => one.path)).toContain('/api/v1/names?axis=rep&text=Bracky'),
    );
  });

  it('shows the trail, and finds in it', async () => {
    const asked = serve({
      '/record': RECORD,
      '/audit': [
        {
          id: 1,
          at: '2026-11-02T10:00:00Z',
          by: 'analyst',
          kind: 'month sealed',
          subject: '2026-10',
          before: null,
          after: 'seal 12',
          hash: 'ab12',
        },
      ],
    });
    show('&show=trail');
    expect(await screen.findByText('month closed')).toBeVisible();
    expect(await screen.findByText(/12 entries and 1 closed month/)).toHaveTextContent('ab12');
    await userEvent.type(screen.getByRole('searchbox', { name: 'Find' }), 'x');
    await waitFor(() => expect(asked.at(-1)?.path).toContain('text=x'));
    expect(screen.getByRole('link', { name: 'Download as CSV' })).toHaveAttribute(
      'href',
      '/api/v1/audit.csv?text=x',
    );
  });
});

describe('percents', () => {
  it('reads 3 % and 3 as three percent, and asks about 0.03', () => {
    expect(readPercent('3 %', UNCLEAR_RATE)).toEqual({ kind: 'ratio', ratio: '0.03' });
    expect(readPercent('3', UNCLEAR_RATE)).toEqual({ kind: 'ratio', ratio: '0.03' });
    expect(readPercent('0,5 %', UNCLEAR_RATE)).toEqual({ kind: 'ratio', ratio: '0.005' });
    expect(readPercent('0.03', UNCLEAR_RATE)).toEqual({
      kind: 'unclear',
      readings: ['0.03', '0.0003'],
    });
    expect(readPercent('three', UNCLEAR_RATE)).toMatchObject({ kind: 'fault' });
    expect(readPercent('0', UNCLEAR_RATE)).toEqual({ kind: 'ratio', ratio: '0' });
  });

  it('moves the point there and back without loss', () => {
    fc.assert(
      fc.property(fc.nat(9_999_999), fc.integer({ min: 0, max: 6 }), (units, places) => {
        const decimal = shifted(String(units), -places);
        expect(Number(decimal)).toBeCloseTo(units / 10 ** places, 8);
        expect(shifted(decimal, places)).toBe(String(units));
        expect(shifted(asPercent(decimal), -2)).toBe(decimal);
      }),
    );
  });

  it('gives back the plan that it was made of', () => {
    const plan = RULES.plans[0];
    expect(plan && fromDraft(toDraft(plan, false), false).plan).toEqual(plan);
  });

  it('names every field that must be settled', () => {
    const draft = { ...newPlan('', '', 'revenue', 'quota'), bonus: 'much', cap: '-1' };
    draft.steps[1] = { from: '1.2', rate: 'x' };
    expect(Object.keys(fromDraft(draft, false).faults).sort()).toEqual([
      'bonus',
      'cap',
      'name',
      'steps[1].from',
      'steps[1].rate',
    ]);
    expect(fromDraft({ ...draft, cap: '60,000' }, false).faults['cap']).toContain('60.000');
    expect(
      fromDraft({ ...newPlan('p', '', 'revenue', 'quota'), cap: '1 500,50' }, false).plan?.cap,
    ).toBe('1500.50');
  });
});

describe('assignments', () => {
  it('ramp up by percents of the first months', () => {
    expect(readRamp('50 % 75%')).toEqual(['0.5', '0.75']);
    expect(readRamp('50, 75')).toEqual(['0.5', '0.75']);
    expect(readRamp(' ')).toEqual([]);
    expect(readRamp('50 x')).toBeNull();
    expect(readRamp('0 50')).toBeNull();
  });

  it('end what a rep had before with the month before', () => {
    const before = [
      { rep: 'A', plan: 'Field', from: '2026-01' },
      { rep: 'B', plan: 'Field' },
    ];
    expect(assignedAll(before, [{ rep: 'a', plan: 'Ramp', from: '2026-01' }])).toEqual([
      { rep: 'a', plan: 'Ramp', from: '2026-01' },
      { rep: 'B', plan: 'Field' },
    ]);
    expect(assignedAll(before, [{ rep: 'B', plan: 'Ramp', from: '2027-01' }]).slice(1)).toEqual([
      { rep: 'B', plan: 'Field', until: '2026-12' },
      { rep: 'B', plan: 'Ramp', from: '2027-01' },
    ]);
    expect(assignedAll(before, [{ rep: 'A', plan: 'Ramp' }])).toHaveLength(2);
  });

  it('of ten thousand reps are made in one go', () => {
    const many = Array.from({ length: 10_000 }, (_, at) => ({ rep: `R${at}`, plan: 'Field' }));
    const added = many.map(({ rep }) => ({ rep, plan: 'Ramp', from: '2027-01' }));
    const all = assignedAll(many, added);
    expect(all).toHaveLength(20_000);
    expect(all[1]).toEqual({ rep: 'R0', plan: 'Ramp', from: '2027-01' });
  });

  it('are read from lines, all or none, with what is wrong', () => {
    const read = readPasted('rep;plan\nA;field;2026-10\nCleo\tField\t2026-10\t2026-12\n', PEOPLE, [
      'Field',
    ]);
    expect(read.faults).toEqual([]);
    expect(read.assignments).toEqual([
      { rep: 'A', plan: 'Field', from: '2026-10' },
      { rep: 'C', plan: 'Field', from: '2026-10', until: '2026-12' },
    ]);
    expect(readPasted('Z, Field\nA, Nope\nA, Field, Oct', PEOPLE, ['Field']).faults).toEqual([
      'Line 1: there is no rep “Z”.',
      'Line 2: there is no plan “Nope”.',
      'Line 3: write months as 2026-10.',
    ]);
  });
});
