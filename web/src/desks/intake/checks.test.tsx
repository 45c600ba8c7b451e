import { fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { CheckFinding, CheckGroup, Checks as Found, Load, SheetColumn } from '../../api/types';
import { Checks } from './Checks';
import { ColumnMenu } from './ColumnMenu';
import type { useSay } from './useIntake';

type Say = ReturnType<typeof useSay>;

function sayer() {
  const mutate = vi.fn();
  return { mutate, say: { mutate, isPending: false } as unknown as Say };
}

const finding = (changes: Partial<CheckFinding> = {}): CheckFinding => ({
  line: 3,
  column: 'Net EUR',
  accepted: false,
  message: 'What was found.',
  details: {},
  ...changes,
});

const group = (code: string, held: boolean, findings = [finding()]): CheckGroup => ({
  code,
  held,
  ofFile: false,
  count: findings.length,
  open: findings.length,
  findings,
});

const LOAD = { id: 7, state: 'staged' } as Load;

function show(found: Partial<Found>, isOpen = true) {
  const { mutate, say } = sayer();
  const onGoTo = vi.fn();
  render(
    <Checks
      load={LOAD}
      checks={{ decidedLines: 0, names: [], groups: [], ...found }}
      isOpen={isOpen}
      say={say}
      onGoTo={onGoTo}
    />,
  );
  return { mutate, onGoTo };
}

const press = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));

describe('what was found', () => {
  it('is good where nothing was', () => {
    show({});
    expect(screen.getByText('Names, months, amounts and duplicates')).toBeVisible();
  });

  it.each([
    ['total-line', false, 'Count the line', { action: 'count', lines: [3] }],
    ['amount-unreadable', true, 'Leave out', { action: 'leave', lines: [3] }],
    ['duplicate-line', false, 'Accept', { action: 'accept', lines: [3], code: 'duplicate-line' }],
  ])('%s can be decided line by line', async (code, held, word, decision) => {
    const { mutate } = show({ groups: [group(code, held)] });
    if (!screen.queryByRole('button', { name: word })) await press(/1$/);
    await press(word);
    expect(mutate).toHaveBeenCalledExactlyOnceWith({ kind: 'fix', decision });
  });

  it('a line left out by hand is taken back, all of them at once too', async () => {
    const { mutate } = show({ decidedLines: 2, groups: [group('left-out', false)] });
    await press(/^Left out by hand/);
    await press('Undo');
    await press('Undo all');
    expect(mutate.mock.calls).toEqual([[{ kind: 'take-back', line: 3 }], [{ kind: 'take-back' }]]);
  });

  it.each([
    ['date-ambiguous', 'Month first', { dates: 'month-first' }],
    ['amount-ambiguous', 'The point is the decimal mark', { decimals: 'point' }],
    ['amount-ambiguous', 'The comma is the decimal mark', { decimals: 'comma' }],
  ])('%s is told for the whole column: %s', async (code, word, told) => {
    const { mutate } = show({ groups: [group(code, true)] });
    await press(word);
    expect(mutate).toHaveBeenCalledExactlyOnceWith({
      kind: 'reading',
      told: { columns: { 'Net EUR': told } },
    });
  });

  it('leads to its line, or into its cell', async () => {
    const { onGoTo } = show({ groups: [group('amount-unreadable', true)] });
    await press('line 3');
    await press('Correct');
    expect(onGoTo.mock.calls).toEqual([
      [3, 'Net EUR', false],
      [3, 'Net EUR', true],
    ]);
  });

  it('of a kind is left out or accepted as a whole', async () => {
    const twice = [finding(), finding({ line: 5 })];
    const { mutate } = show({ groups: [group('unusual-amount', false, twice)] });
    await press('Accept all');
    expect(mutate).toHaveBeenCalledExactlyOnceWith({
      kind: 'fix',
      decision: { action: 'accept', code: 'unusual-amount' },
    });
    expect(screen.queryByRole('button', { name: /^Leave all/ })).toBeNull();
  });

  it('is cut after forty lines, and says so', () => {
    const many = Array.from({ length: 41 }, (_, at) => finding({ line: at + 2 }));
    show({ groups: [group('amount-unreadable', true, many)] });
    expect(screen.getAllByText('What was found.')).toHaveLength(40);
    expect(screen.getByText('The first 40 of 41 are shown.')).toBeVisible();
  });

  it('offers nothing once the load is posted, and nothing for what looks right', async () => {
    show({ groups: [group('duplicate-line', false, [finding({ accepted: true })])] }, false);
    await press(/1$/);
    expect(screen.getByText('accept')).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Leave out' })).toBeNull();
  });

  it('of the file as a whole has no line', async () => {
    const ofFile = { ...group('trailer-differs', false, [finding({ line: 1 })]), ofFile: true };
    show({ groups: [ofFile] });
    if (!screen.queryByText('file')) await press(/1$/);
    expect(screen.getByText('file')).toBeVisible();
    expect(screen.queryByRole('button', { name: 'line 1' })).toBeNull();
  });

  it('creates all unknown reps and products at once, after a look at them', async () => {
    const unknown = (axis: 'rep' | 'product', text: string, near: string[] = []) => ({
      axis,
      text,
      lines: 1,
      firstLine: 3,
      proposals: near.map((key) => ({ key, name: key })),
    });
    const names = [unknown('rep', 'K7'), unknown('product', 'P9'), unknown('rep', 'Adda', ['Ada'])];
    const { mutate } = show({
      names,
      groups: [
        group(
          'member-unknown',
          true,
          names.map(({ text }) => finding({ details: { value: text } })),
        ),
      ],
    });
    await press('Create 2 reps and 1 product …');
    expect(screen.getByRole('checkbox', { name: 'Create rep Adda' })).not.toBeChecked();
    await userEvent.clear(screen.getByRole('textbox', { name: 'Name of K7' }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Name of K7' }), 'Otto');
    await userEvent.type(screen.getByRole('textbox', { name: 'Region of K7' }), 'South');
    fireEvent.change(screen.getByLabelText('On the roster from'), {
      target: { value: '2026-10' },
    });
    await press('Create 1 rep and 1 product');
    expect(mutate).toHaveBeenCalledExactlyOnceWith({
      kind: 'members',
      made: [
        { axis: 'rep', key: 'K7', name: 'Otto', region: 'South', fromMonth: '2026-10' },
        { axis: 'product', key: 'P9', name: 'P9', line: '' },
      ],
    });
  });

  it('takes all proposals that are the only ones for their names', async () => {
    const unknown = (text: string, keys: string[]) => ({
      axis: 'rep' as const,
      text,
      lines: 1,
      firstLine: 3,
      proposals: keys.map((key) => ({ key, name: key })),
    });
    const { mutate } = show({
      names: [unknown('D. Ven', ['R2']), unknown('Ad', ['R1', 'R3']), unknown('Bo L', ['R4'])],
      groups: [
        group(
          'member-unknown',
          true,
          ['D. Ven', 'Ad', 'Bo L'].map((value) => finding({ details: { value } })),
        ),
      ],
    });
    await press('Use all 2 proposals');
    expect(mutate).toHaveBeenCalledExactlyOnceWith({
      kind: 'names',
      names: [
        { axis: 'rep', text: 'D. Ven', member: 'R2' },
        { axis: 'rep', text: 'Bo L', member: 'R4' },
      ],
    });
  });
});

describe('a column', () => {
  const COLUMN: SheetColumn = {
    title: 'Net EUR',
    target: 'revenue',
    isGuessed: true,
    isAmount: true,
    isDate: false,
    decimals: 'auto',
    dates: 'auto',
    power: 0,
    flip: false,
    samples: ['1.250', '7'],
  };

  async function open(column: SheetColumn) {
    const { mutate, say } = sayer();
    render(<ColumnMenu column={column} targets={['rep', 'revenue']} isOpen say={say} />);
    await userEvent.click(screen.getByRole('button', { name: /maps to/ }));
    return mutate;
  }

  it('says what it is taken for, that it is guessed, and what stands in it', async () => {
    await open(COLUMN);
    expect(screen.getByText(/Detected. Column of the file/)).toHaveTextContent(
      'Net EUR: 1.250 · 7',
    );
  });

  it.each([
    ['Maps to', '', { column: '' }],
    ['Decimal mark', 'comma', { decimals: 'comma' }],
    ['Scaling', '3', { power: 3 }],
  ])('is told what it is or how it is read: %s', async (label, value, told) => {
    const mutate = await open(COLUMN);
    await userEvent.selectOptions(screen.getByLabelText(label), value);
    expect(mutate).toHaveBeenCalledExactlyOnceWith({
      kind: 'reading',
      told: { columns: { 'Net EUR': told } },
    });
  });

  it('has its sign turned', async () => {
    const mutate = await open(COLUMN);
    await userEvent.click(screen.getByRole('checkbox', { name: 'Reverse the sign' }));
    expect(mutate).toHaveBeenCalledExactlyOnceWith({
      kind: 'reading',
      told: { columns: { 'Net EUR': { flip: true } } },
    });
  });

  it('of dates is told their order, and of a month nothing else', async () => {
    const mutate = await open({ ...COLUMN, isAmount: false, isDate: true });
    await userEvent.selectOptions(screen.getByLabelText('01/02/2026 means'), 'day-first');
    expect(mutate).toHaveBeenCalledExactlyOnceWith({
      kind: 'reading',
      told: { columns: { 'Net EUR': { dates: 'day-first' } } },
    });
  });

  it('of a month in a wide file is that month', async () => {
    await open({ ...COLUMN, target: 'revenue Oct 2026' });
    expect(screen.getByText('Amounts of revenue Oct 2026')).toBeVisible();
    expect(screen.queryByLabelText('Maps to')).toBeNull();
  });

  it('of a posted load is only named', () => {
    const { say } = sayer();
    render(<ColumnMenu column={COLUMN} targets={[]} isOpen={false} say={say} />);
    expect(within(document.body).queryByRole('button')).toBeNull();
    expect(screen.getByText('revenue')).toBeVisible();
  });
});
