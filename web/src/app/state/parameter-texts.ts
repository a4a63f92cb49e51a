import { computed, inject, type Signal } from '@angular/core';
import { applyAlternative, attempt } from '@hashira/core';
import { DesignWorkspace } from './design-workspace.service';
import { readersUnits } from '../ui/units.service';

/** How the parameters of the shown alternative read, by their names: "22 m", "HEB 300"; those that have no value are left out. */
export function parameterTexts(): Signal<ReadonlyMap<string, string>> {
  const workspace = inject(DesignWorkspace);
  const units = readersUnits();
  return computed(() => {
    const { design } = workspace.state()!;
    const alternative = workspace.selectedAlternative(design);
    const known = workspace.results().alternatives.get(alternative.id)?.summary.parameters;
    const applied = attempt(() => applyAlternative(design, alternative));
    const { parameters } = applied.ok ? applied.value : design;
    return new Map(
      parameters.flatMap((one): [string, string][] => {
        if (one.kind !== 'quantity') return [[one.name, one.value]];
        const value = known && Object.hasOwn(known, one.name) ? known[one.name]!.value : undefined;
        return value === undefined ? [] : [[one.name, units().plain(value, one.quantity)]];
      }),
    );
  });
}
