import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Decides, LadderRule, Rules, Trial } from '../../api/types';
import { Refused, clean, layOut, serve, showAt } from '../../test/desk';
import { COMPANY, CLOSING } from '../../test/samples';
import { RulesDesk } from './RulesDesk';

const LADDERS: LadderRule[] = [
  {
    measure: 'revenue',
    scale: 'percent-to-goal',
    rungs: [
      { name: 'behind', tone: 'bad' },
      { name: 'reached', tone: 'good', from: '1', bound: 'at or above' },
    ],
  },
  {
    measure: 'revenue',
    goalSet: 'quota',
    axis: 'rep',
    since: '2026-10',
    scale: 'variance',
    rungs: [
      { name: 'short', tone: 'bad' },
      { name: 'over', tone: 'good', from: '1000', bound: 'above' },
    ],
  },
];

const RULES: Rules = {
  calendar: { startMonth: 7, yearNamedBy: 'end', holidays: [] },
  measures: [],
  plans: [],
  company: { name: 'Saltmarsh Chandlery' },
  assignments: [],
  shading: [],
  stretches: [],
  stages: [],
  closing: CLOSING,
  ladders: LADDERS,
  approval: { goals: false, plans: false, ladders: false },
  credits: [],
};

const DECIDES: Decides = {
  words: 'revenue against quota by rep, since 2026-10',
  scale: 'variance',
  perMonth: false,
  rungs: LADDERS[1]?.rungs ?? [],
  others: ['revenue'],
};

const TRIAL: Trial = {
  noReading: 0,
  rungs: [
    { name: 'short', rows: 3 },
    { name: 'over', rows: 1 },
  ],
  flips: [
    {
      key: 'R01',
      name: 'Ines Brackwater',
      before: 'over',
      beforeTone: 'good',
      after: 'short',
      afterTone: 'bad',
    },
  ],
};

const ALL = { '/rules': RULES, '/rules/decides': DECIDES };

beforeEach(layOut);
afterEach(clean);

const show = (part: string) =>
  showAt(<RulesDesk company={COMPANY} />, `/rules?to=2026-10&show=${part}`);

describe('status thresholds', () => {
  it('are listed with what they apply to, and lead to where they are seen', async () => {
    serve(ALL);
    show('thresholds');
    const table = await screen.findByRole('table');
    const rows = within(table).getAllByRole('row');
    expect(rows[1]).toHaveTextContent('everyeveryevery month% of goal');
    expect(rows[1]).toHaveTextContent('from 100 %');
    expect(rows[2]).toHaveTextContent(/quotareps.*October 2026.*variance, amount/);
    expect(rows[2]).toHaveTextContent(/above 1.?000/);
    expect(within(rows[2] as HTMLElement).getByRole('link', { name: 'See it' })).toHaveAttribute(
      'href',
      '/standing?measure=revenue&to=2026-10&axis=rep&against=set%3Aquota',
    );
  });

  it('are changed where they are listed, beside whose status would change, and undone', async () => {
    const asked = serve({ ...ALL, 'POST /standing/trial': TRIAL, 'PUT /rules': RULES });
    show('thresholds');
    await userEvent.click(
      await screen.findByRole('button', { name: 'Change thresholds of Revenue quota' }),
    );
    const panel = within(screen.getByRole('complementary', { name: 'Change thresholds' }));
    expect(panel.getByText('Revenue, quota, reps')).toBeVisible();
    expect(panel.getByLabelText('Based on')).toHaveFocus();
    expect(await panel.findByText('1 row changes its status:')).toBeVisible();
    expect(panel.getByText('Ines Brackwater')).toBeVisible();
    const bound = panel.getByLabelText('Threshold 2, starts at');
    await userEvent.clear(bound);
    expect(panel.getByRole('alert')).toHaveTextContent('needs a number');
    expect(panel.getByRole('button', { name: 'Save thresholds' })).toBeDisabled();
    await userEvent.type(bound, '2 500');
    await userEvent.click(panel.getByRole('radio', { name: /every month/ }));
    await userEvent.click(panel.getByRole('button', { name: 'Save thresholds' }));
    await userEvent.click(await panel.findByRole('button', { name: 'Undo' }));
    await waitFor(() => {
      expect(asked.filter(({ method }) => method === 'PUT')).toHaveLength(2);
    });
    expect(asked.filter(({ method }) => method === 'PUT').map(({ body }) => body)).toEqual([
      {
        ladders: [
          {
            measure: 'revenue',
            goalSet: 'quota',
            axis: 'rep',
            scale: 'variance',
            rungs: [
              { name: 'short', tone: 'bad' },
              { name: 'over', tone: 'good', from: '2500', bound: 'above' },
            ],
          },
        ],
      },
      {
        ladders: [{ measure: 'revenue', goalSet: 'quota', axis: 'rep', remove: true }, LADDERS[1]],
      },
    ]);
  });

  it('are added for a measure, a goal set and kind of row, from a month on', async () => {
    const asked = serve({ ...ALL, 'POST /standing/trial': TRIAL, 'PUT /rules': RULES });
    show('thresholds');
    await userEvent.click(await screen.findByRole('button', { name: 'Add thresholds' }));
    const panel = within(screen.getByRole('complementary', { name: 'Change thresholds' }));
    await userEvent.selectOptions(panel.getByLabelText('Rows'), 'region');
    await userEvent.click(panel.getByRole('button', { name: 'Add threshold' }));
    await userEvent.type(panel.getByLabelText('Threshold 3, name'), 'well past');
    await userEvent.type(panel.getByLabelText('Threshold 3, starts at'), '120');
    await userEvent.click(panel.getByRole('button', { name: 'Save thresholds' }));
    expect(await panel.findByText('The thresholds are saved.')).toBeVisible();
    await userEvent.click(panel.getByRole('button', { name: 'Close panel' }));
    expect(screen.getByRole('button', { name: 'Add thresholds' })).toHaveFocus();
    expect(asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({
      ladders: [{ measure: 'revenue', axis: 'region', since: '2026-10', scale: 'percent-to-goal' }],
    });
    expect(
      asked.some(({ path }) => path.includes('/standing/trial') && path.includes('axis=region')),
    ).toBe(true);
  });

  it('stand beside stretches, which are drawn and taken back there', async () => {
    const asked = serve({
      ...ALL,
      '/rules': {
        ...RULES,
        stretches: [{ measure: 'revenue', axis: 'rep', of: 'last-year', at: ['0.6', '0.8'] }],
      },
    });
    show('thresholds');
    const part = within(await screen.findByRole('region', { name: 'Stretches behind lanes' }));
    expect(part.getByText('60, 80 % of last year')).toBeVisible();
    await userEvent.click(part.getByRole('button', { name: 'Remove the stretches of Revenue' }));
    const percents = part.getByLabelText(/^Percents/, { selector: 'input' });
    await userEvent.clear(percents);
    expect(part.getByRole('button', { name: 'Draw these stretches' })).toBeDisabled();
    await userEvent.type(percents, '50 % 75 %');
    await userEvent.selectOptions(part.getByLabelText('Goal set'), 'quota');
    await userEvent.click(part.getByRole('button', { name: 'Draw these stretches' }));
    await waitFor(() =>
      expect(asked.filter(({ method }) => method === 'PUT').map(({ body }) => body)).toEqual([
        { stretches: [{ measure: 'revenue', axis: 'rep', remove: true }] },
        { stretches: [{ measure: 'revenue', goalSet: 'quota', of: 'goal', at: ['0.5', '0.75'] }] },
      ]),
    );
  });

  it('stand beside shading limits and reasons, which are changed there too', async () => {
    const asked = serve({
      ...ALL,
      '/rules': {
        ...RULES,
        shading: [{ measure: 'revenue', axis: 'rep', good: 'auto', bad: '10000.00' }],
      },
      '/reasons': [{ code: 'price', name: 'Price' }],
      'PUT /reasons': [],
    });
    show('thresholds');
    const limits = await screen.findByRole('region', { name: 'Shading limits' });
    expect(within(limits).getAllByRole('row')[1]).toHaveTextContent(/reps10.000\.00automatic/);
    expect(within(limits).getByRole('link', { name: 'See it' })).toHaveAttribute(
      'href',
      '/standing?measure=revenue&to=2026-10&axis=rep',
    );
    const name = await screen.findByRole('textbox', { name: 'Reason 1' });
    await userEvent.clear(name);
    await userEvent.type(name, 'Price war');
    await userEvent.click(screen.getByRole('button', { name: 'Save reasons' }));
    await waitFor(() =>
      expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual([
        { code: 'price', name: 'Price war' },
      ]),
    );
  });

  it('stand beside shading limits, which are set and made automatic again there', async () => {
    const asked = serve({
      ...ALL,
      '/rules': {
        ...RULES,
        shading: [{ measure: 'revenue', axis: 'rep', good: 'auto', bad: '10000.00' }],
      },
    });
    show('thresholds');
    const limits = within(await screen.findByRole('region', { name: 'Shading limits' }));
    expect(limits.getByRole('button', { name: 'Set these limits' })).toBeDisabled();
    await userEvent.selectOptions(limits.getByLabelText('Goal set'), 'quota');
    await userEvent.type(limits.getByLabelText('Unfavourable'), '5 000');
    await userEvent.click(limits.getByRole('button', { name: 'Set these limits' }));
    await userEvent.click(
      limits.getByRole('button', { name: 'Make the shading of Revenue automatic' }),
    );
    await waitFor(() =>
      expect(asked.filter(({ method }) => method === 'PUT').map(({ body }) => body)).toEqual([
        { shading: [{ measure: 'revenue', goalSet: 'quota', good: 'auto', bad: '5000' }] },
        { shading: [{ measure: 'revenue', axis: 'rep', good: 'auto', bad: 'auto' }] },
      ]),
    );
  });

  it('go back to what else applies', async () => {
    const asked = serve({ ...ALL, 'PUT /rules': RULES });
    show('thresholds');
    await userEvent.click(
      await screen.findByRole('button', { name: 'Remove thresholds of Revenue quota' }),
    );
    expect(await screen.findByText(/Removed/)).toBeVisible();
    expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({
      ladders: [{ measure: 'revenue', goalSet: 'quota', axis: 'rep', remove: true }],
    });
  });

  it('say which of them decide about a row, and which others there are', async () => {
    const asked = serve(ALL);
    show('thresholds');
    const which = await screen.findByRole('region', { name: 'Which thresholds decide?' });
    expect(await within(which).findByText(/revenue against quota by rep/)).toBeVisible();
    expect(within(which).getByText('Without them would apply: revenue.')).toBeVisible();
    await userEvent.selectOptions(within(which).getByLabelText('Compared with'), 'quota');
    await waitFor(() =>
      expect(
        asked.some(({ path }) => path.includes('decides') && path.includes('goalSet=quota')),
      ).toBe(true),
    );
  });
});

describe('the rules file', () => {
  const file = (text: string) => new File([text], 'mine.json', { type: 'application/json' });

  it('shows what it would change before it is applied', async () => {
    const asked = serve({
      ...ALL,
      '/rules/changes': [{ subject: 'company', before: 'name A', after: 'name B' }],
      'PUT /rules': RULES,
    });
    show('file');
    const input = await screen.findByLabelText(/Compare a file/);
    await userEvent.upload(input, file('{"company": {"name": "B"}}'));
    expect(await screen.findByRole('table', { name: 'mine.json would change' })).toHaveTextContent(
      'companyname Aname B',
    );
    expect(asked.some(({ method }) => method === 'PUT')).toBe(false);
    await userEvent.click(screen.getByRole('button', { name: 'Apply file' }));
    expect(await screen.findByText('The file is applied.')).toBeVisible();
    expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({
      company: { name: 'B' },
    });
  });

  it('says where a file that cannot be applied is wrong, and that one changes nothing', async () => {
    serve({ ...ALL, '/rules/changes': new Refused(400, 'calendar.startMonth must be 1 to 12.') });
    show('file');
    const input = await screen.findByLabelText(/Compare a file/);
    await userEvent.upload(input, file('{"calendar": {"startMonth": 13}}'));
    expect(await screen.findByRole('alert')).toHaveTextContent('must be 1 to 12');
    await userEvent.upload(input, file('no JSON'));
    expect(await screen.findByRole('alert')).toHaveTextContent('mine.json cannot be applied.');
    clean();
    layOut();
    serve({ ...ALL, '/rules/changes': [] });
    show('file');
    await userEvent.upload(await screen.findByLabelText(/Compare a file/), file('{}'));
    expect(await screen.findByText(/changes nothing/)).toBeVisible();
  });
});
