import type { PrimeNGConfigType } from 'primeng/config';
import { listsBesideTheirField } from './beside-opener';
import { pageNonce } from './nonce';
import { sheetPreset } from './sheet-preset';

const atOnce = { motion: { disabled: true } };

/**
 * How the components of the library look and behave in the whole application. Menus and lists come and go at once: one that is pressed
 * while it fades would stay closed.
 */
export const librarySettings: PrimeNGConfigType = {
  csp: { nonce: pageNonce },
  theme: { preset: sheetPreset, options: { darkModeSelector: false } },
  overlayOptions: listsBesideTheirField(),
  pt: {
    menu: atOnce,
    overlay: atOnce,
    popover: atOnce,
    dialog: atOnce,
    // A list that scrolls can be scrolled by the keyboard
    select: { listContainer: { tabindex: '0' } },
  },
};
