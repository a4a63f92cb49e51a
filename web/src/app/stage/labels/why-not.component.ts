import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Problem } from '@hashira/core';

/** Why a frame is not calculated; of several ways in which it can move the first. */
@Component({
  selector: 'app-why-not',
  template: `
    @for (problem of told(); track problem.message) {
      <p>{{ problem.message }}</p>
    }
    @if (more() > 0) {
      <p>and in {{ more() }} more {{ more() === 1 ? 'way' : 'ways' }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      overflow-y: auto;
      user-select: text;
    }
    p {
      margin: 2px 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhyNotComponent {
  readonly problems = input.required<readonly Problem[]>();

  protected readonly told = computed(() => {
    const ways = this.problems().filter(({ code }) => code === 'mechanism');
    return this.problems().filter((one) => !ways.includes(one) || one === ways[0]);
  });
  protected readonly more = computed(() => this.problems().length - this.told().length);
}
