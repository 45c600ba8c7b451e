import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { beforeEach, expect, it, vi } from 'vitest';
import { gridStop, useGridKeys } from './useGridKeys';

const NAMES = ['Total', 'Ada', 'Bo', 'Cleo'];

function Sheet() {
  const [scroll, setScroll] = useState<HTMLElement | null>(null);
  const [grid, setGrid] = useState<HTMLElement | null>(null);
  const [chosen, choose] = useState('');
  useGridKeys(grid, scroll, 20);
  const stop = (word: string) => (
    <button key={word} type="button" {...gridStop}>
      {word}
    </button>
  );
  return (
    <>
      <button type="button">before</button>
      <div ref={setScroll}>
        <div role="grid" ref={setGrid}>
          <div role="row">
            {['Name', 'Actual'].map((word) => (
              <span key={word} role="columnheader">
                {stop(word)}
              </span>
            ))}
          </div>
          {NAMES.map((name) => (
            // eslint-disable-next-line jsx-a11y/click-events-have-key-events
            <div key={name} role="row" tabIndex={-1} onClick={() => choose(name)}>
              <span role="gridcell">{stop(name)}</span>
            </div>
          ))}
        </div>
      </div>
      <button type="button">after</button>
      <output>{chosen}</output>
    </>
  );
}

const focus = () => document.activeElement?.textContent;

beforeEach(() => {
  Element.prototype.scrollTo = () => undefined;
  Element.prototype.scrollIntoView = () => undefined;
  vi.stubGlobal('requestAnimationFrame', (act: FrameRequestCallback) => {
    act(0);
    return 0;
  });
});

it('is one stop of Tab; the arrows walk it, and Enter chooses', async () => {
  render(<Sheet />);
  await userEvent.tab();
  await userEvent.tab();
  expect(focus()).toBe('Name');
  await userEvent.keyboard('{ArrowRight}');
  expect(focus()).toBe('Actual');
  await userEvent.keyboard('{ArrowDown}{ArrowDown}');
  expect(focus()).toBe('Ada');
  await userEvent.keyboard('{Enter}');
  expect(screen.getByRole('status')).toHaveTextContent('Ada');
  await userEvent.tab();
  expect(focus()).toBe('after');
  await userEvent.tab({ shift: true });
  expect(focus()).toBe('Ada');
});

it('goes to the first and the last, and no further', async () => {
  render(<Sheet />);
  await userEvent.tab();
  await userEvent.tab();
  await userEvent.keyboard('{End}');
  expect(focus()).toBe('Cleo');
  await userEvent.keyboard('{ArrowDown}');
  expect(focus()).toBe('Cleo');
  await userEvent.keyboard('{PageUp}');
  expect(focus()).toBe('Bo');
  await userEvent.keyboard('{Home}');
  expect(focus()).toBe('Name');
});
