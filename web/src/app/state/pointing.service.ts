import { Injectable, effect, inject, signal, untracked } from '@angular/core';
import type { PointedField, Pointer } from '../ui/fields/field-surroundings';
import { Selection } from './selection.service';

/** A field that is filled in by what is pressed on the stage: the condition that selects it, or the name of a node. */
@Injectable()
export class Pointing implements Pointer {
  private readonly selection = inject(Selection);
  readonly active = signal<PointedField | undefined>(undefined);

  constructor() {
    effect(() => {
      const field = this.active();
      const { of, ids } = this.selection.selected();
      const condition = this.selection.proposal()?.condition;
      if (!field || ids.length === 0) return;
      untracked(() => {
        if (field.of === 'place') {
          if (of === 'nodes') this.write(field, ids.at(-1)!);
        } else if (field.of === of && condition !== undefined) this.write(field, condition);
      });
    });
  }

  begin(field: PointedField): void {
    this.selection.clear();
    this.active.set(field);
  }

  end(): void {
    this.active.set(undefined);
    this.selection.clear();
  }

  /** One press names a place; members and nodes are added to one another until it is ended. */
  private write(field: PointedField, text: string): void {
    field.write(text);
    if (field.of === 'place') this.end();
  }
}
