import { BrowserRouter } from 'react-router';
import { Frame } from './Frame';

/** The frame with the browser's addresses; fetched once somebody is signed in. */
export function Routed() {
  return (
    <BrowserRouter>
      <Frame />
    </BrowserRouter>
  );
}
