import { provideHttpClient } from '@angular/common/http';
import { provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { MessageService } from 'primeng/api';
import { providePrimeNG } from 'primeng/config';
import { routes } from './app.routes';
import { pageNonce } from './ui/nonce';
import { sheetPreset } from './ui/sheet-preset';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(),
    provideRouter(routes, withComponentInputBinding()),
    providePrimeNG({
      csp: { nonce: pageNonce },
      theme: { preset: sheetPreset, options: { darkModeSelector: false } },
      // A list that scrolls can be scrolled by the keyboard
      pt: { select: { listContainer: { tabindex: '0' } } },
    }),
    MessageService,
  ],
};
