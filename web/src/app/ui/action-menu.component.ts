import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { MenuItem } from 'primeng/api';
import { Menu } from 'primeng/menu';
import { ActionDirective } from './action.directive';
import { BesideOpenerDirective } from './library/beside-opener.directive';

/** What can be chosen of a menu. */
export interface MenuChoice {
  readonly key: string;
  readonly label: string;
}

/** A button that opens a list of actions: one is done when it is pressed or confirmed with Enter, not while arrows go through them. */
@Component({
  selector: 'app-action-menu',
  imports: [ActionDirective, BesideOpenerDirective, Menu],
  template: `
    <button appAction aria-haspopup="menu" [attr.aria-label]="label() || null" (click)="menu.toggle($event)">
      {{ text() }}
    </button>
    <p-menu #menu [popup]="true" [model]="items()" />
  `,
  styles: `
    button {
      min-height: 24px;
      color: var(--indigo);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ActionMenuComponent {
  readonly text = input.required<string>();
  /** What it is called for those who hear it, where the text is short. */
  readonly label = input('');
  readonly choices = input.required<readonly MenuChoice[]>();
  readonly chosen = output<string>();

  protected readonly items = computed((): MenuItem[] =>
    this.choices().map(({ key, label }) => ({ label, command: () => this.chosen.emit(key) })),
  );
}
