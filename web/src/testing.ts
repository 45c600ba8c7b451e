import '@testing-library/jest-dom/vitest';
import { cleanup, configure } from '@testing-library/react';
import { afterEach, beforeEach } from 'vitest';

afterEach(cleanup);

// the tour is for whoever sees a standing for the first time; its own test asks for it
beforeEach(() => localStorage.setItem('zealous.standing-seen', 'yes'));

// a desk is fetched when it is first opened
configure({ asyncUtilTimeout: 5000 });

// jsdom has none; Headless UI asks for one
globalThis.ResizeObserver = class {
  observe() {
    return undefined;
  }
  unobserve() {
    return undefined;
  }
  disconnect() {
    return undefined;
  }
};
