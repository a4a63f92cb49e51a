import { bootstrapApplication } from '@angular/platform-browser';
import { AppComponent } from './app/app.component';
import { appConfig } from './app/app.config';

// A design is what most visits open: its screen is fetched while the application starts
if (/^\/(designs\/(?!new$)[^/]+)?$/.test(location.pathname)) {
  void import('./app/shell/workspace.component');
  void import('./app/design/design-screen.component');
}

bootstrapApplication(AppComponent, appConfig).catch((error: unknown) => {
  document.body.textContent = `The application could not start: ${String(error)}. Reload the page.`;
});
