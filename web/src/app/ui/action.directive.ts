import { Directive, inject } from '@angular/core';
import { ButtonDirective } from 'primeng/button';

/** An action as words: a small button of the library without a ground. */
@Directive({
  selector: 'button[appAction]',
  hostDirectives: [ButtonDirective],
  host: { type: 'button', class: 'press' },
})
export class ActionDirective {
  constructor() {
    const button = inject(ButtonDirective);
    button.text = true;
    button.size = 'small';
  }
}
