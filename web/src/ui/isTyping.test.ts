import { afterEach, expect, it, vi } from 'vitest';
import { holdKeys, isTyping } from './isTyping';

afterEach(() => {
  document.body.innerHTML = '';
  vi.useRealTimers();
});

it('keys of fields are no commands, those of the page are', () => {
  document.body.innerHTML = '<input id="field" /><p id="text">x</p>';
  expect(isTyping(document.getElementById('field'))).toBe(true);
  expect(isTyping(document.getElementById('text'))).toBe(false);
});

it.each(['role="dialog"', 'role="listbox"', 'role="menu"', 'data-takes-keys'])(
  'while %s is open, no key is a command',
  (mark) => {
    document.body.innerHTML = `<div ${mark}></div>`;
    expect(isTyping(document.body)).toBe(true);
  },
);

it('keys are held from the click until the field has the focus, at most a second', () => {
  vi.useFakeTimers({ toFake: ['performance'] });
  document.body.innerHTML = '<input id="field" />';
  holdKeys();
  expect(isTyping(document.body)).toBe(true);
  document.getElementById('field')?.focus();
  expect(isTyping(document.body)).toBe(false);
  document.getElementById('field')?.blur();
  holdKeys();
  vi.advanceTimersByTime(1001);
  expect(isTyping(document.body)).toBe(false);
});
