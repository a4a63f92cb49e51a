import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { type LegendLine } from '@hashira/core';
import { ViewState } from '../../state/view-state.service';
import { readersUnits } from '../../ui/units.service';

/** What is drawn on a stage, in words: how members are told apart, the greatest and the least value, the scale. */
@Component({
  selector: 'app-legend',
  template: `
    @for (line of lines(); track $index) {
      <p [title]="line.title ?? ''">
        @if (line.sample; as sample) {
          <svg width="26" height="8" aria-hidden="true">
            <line
              x1="0"
              y1="4"
              x2="26"
              y2="4"
              stroke-width="3"
              [style.stroke]="colour(sample.colour)"
              [attr.stroke-dasharray]="sample.dash?.join(' ')"
            />
          </svg>
        }
        {{ line.text }}
      </p>
    }
  `,
  styles: `
    :host {
      position: absolute;
      left: 12px;
      bottom: 36px;
      pointer-events: none;
      font-size: var(--size-small);
      color: var(--ink-soft);
    }
    /* On a low sheet the foot is the supports' */
    @container sheet (height <= 32em) {
      :host {
        inset: 4px 12px auto auto;
        display: flex;
        flex-direction: column;
        align-items: flex-end;
      }
    }
    /* On low screens the drawing has the room */
    @media (height <= 34em) {
      :host {
        display: none;
      }
    }
    p {
      margin: 0;
      pointer-events: auto;
      width: fit-content;
      /* Dimension lines pass behind it */
      background: var(--sheet);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LegendComponent {
  private readonly units = readersUnits();
  private readonly view = inject(ViewState);
  readonly of = input.required<readonly LegendLine[]>();
  /** A diagram is drawn, of which the scale is told. */
  readonly scaled = input(true);

  protected readonly lines = computed((): readonly LegendLine[] => {
    const scale = this.view.scales().diagram;
    const quantity = this.view.diagramQuantity();
    if (!this.scaled() || !quantity || scale === 0 || this.of().length === 0) return this.of();
    const { unit, factor } = this.units().of('length');
    const value = this.units().withUnit(1 / (factor * scale), quantity);
    return [...this.of(), { text: `1 ${unit} of the drawing is ${value}` }];
  });

  /** The sheet's colours are custom properties of the page. */
  protected colour(name: string): string {
    return `var(--${name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)})`;
  }
}
