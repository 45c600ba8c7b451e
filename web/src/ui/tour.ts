const SEEN = 'zealous.standing-seen';

/** Whether somebody has gone through the parts of a standing, in this browser. */
export const isTourSeen = () => localStorage.getItem(SEEN) !== null;

export const rememberTour = () => localStorage.setItem(SEEN, 'yes');

/** The tour is shown to whoever has not seen it. */
export const forgetTour = () => localStorage.removeItem(SEEN);
