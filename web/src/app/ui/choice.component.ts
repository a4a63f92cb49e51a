import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';

/** One entry of a list. */
export interface Choice<T extends string | number = string> {
  readonly value: T;
  readonly label: string;
}

/** One of several, chosen from a list that drops down. */
@Component({
  selector: 'app-choice',
  imports: [FormsModule, Select],
  template: `
    <p-select
      appendTo="body"
      size="small"
      optionLabel="label"
      optionValue="value"
      scrollHeight="22rem"
      [inputId]="inputId()"
      [ariaLabel]="label()"
      [options]="listed()"
      [ngModel]="value()"
      (onChange)="changed.emit($event.value)"
    />
  `,
  styles: `
    :host {
      display: inline-block;
      min-width: 0;
      max-width: 100%;
    }
    p-select {
      width: 100%;
      min-height: 24px;
      --p-select-sm-font-size: 1em;
      align-items: center;
      --p-select-sm-padding-x: 6px;
      --p-select-sm-padding-y: 1px;
      --p-select-dropdown-width: 1.5rem;
    }
    /* Within a sentence it is as plain as its words */
    :host(.in-words) p-select {
      --p-select-sm-padding-x: 3px;
      --p-select-sm-padding-y: 0;
      --p-select-dropdown-width: 1rem;
      --p-select-color: var(--indigo);
      --p-select-background: transparent;
      --p-select-border-color: transparent;
      border-bottom-color: var(--ink-faint);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceComponent<T extends string | number = string> {
  /** What it is called, for readers. */
  readonly label = input.required<string>();
  readonly inputId = input<string>();
  readonly options = input.required<readonly Choice<T>[]>();
  readonly value = input.required<T | undefined>();
  readonly changed = output<T>();

  protected readonly listed = computed(() => [...this.options()]);
}
