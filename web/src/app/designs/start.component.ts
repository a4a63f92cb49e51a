import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { firstValueFrom } from 'rxjs';
import { DesignApi } from '../state/saving/design-api.service';
import { lastOpened } from '../state/saving/last-opened';

/** Opens the design that was open last, or the one changed last; without any, the list. */
@Component({
  selector: 'app-start',
  imports: [Button],
  template: `@if (problem(); as text) {
    <main>
      <p role="alert">{{ text }}</p>
      <p-button label="Try again" size="small" (onClick)="open()" />
    </main>
  }`,
  styles: `
    main {
      padding: 3rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartComponent {
  private readonly api = inject(DesignApi);
  private readonly router = inject(Router);
  protected readonly problem = signal('');

  constructor() {
    void this.open();
  }

  protected async open(): Promise<void> {
    this.problem.set('');
    try {
      const designs = await firstValueFrom(this.api.list());
      const last = designs.find((design) => design.id === lastOpened()) ?? designs[0];
      await this.router.navigate(last ? ['/designs', last.id] : ['/designs'], { replaceUrl: true });
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : String(error));
    }
  }
}
