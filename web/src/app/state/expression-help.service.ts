import { Injectable, computed, inject, type Signal } from '@angular/core';
import {
  attempt,
  completions,
  resolveAlternative,
  valueAsTyped,
  type Completion,
  type Expectation,
  type Names,
  type Questions,
} from '@hashira/core';
import type { FieldSurroundings } from '../ui/fields/field-surroundings';
import { DesignWorkspace } from './design-workspace.service';
import { Pointing } from './pointing.service';
import { standingAnswer } from './answers/standing-answer';
import { readersUnits } from '../ui/units.service';

/** What can be written in a formula, and what one comes to, in the alternative that is shown. */
@Injectable()
export class ExpressionHelp implements FieldSurroundings {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  readonly pointer = inject(Pointing);

  readonly design = computed(() => this.workspace.state()?.design);

  private readonly titles = computed(
    () => new Map(this.workspace.state()?.design.parameters.map(({ name, title }) => [name, title])),
  );

  /** Names with their values; without those where the parameters themselves are wrong, which is said beside them. */
  readonly names = computed((): Names => {
    const design = this.workspace.state()?.design;
    const units = this.units();
    const none = { parameters: new Map(), units };
    if (!design) return none;
    const alternative = this.workspace.selectedAlternative(design);
    const resolved = attempt(() => resolveAlternative(design, alternative, units));
    return resolved.ok ? resolved.value.names : none;
  });

  tagValues(of: () => 'members' | 'nodes'): Signal<Questions['tags']['answer']> {
    const known = standingAnswer('tags', () => ({ of: of() }));
    return computed(() => known.value() ?? {});
  }

  completions(word: string, expected: Expectation): Completion[] {
    return completions(this.names(), this.titles(), word, expected);
  }

  value(text: string, expected: Expectation): { readonly value?: string; readonly problem?: string } {
    return valueAsTyped(this.names(), text, expected);
  }
}
