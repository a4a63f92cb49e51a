import { Injectable, computed, inject, signal, type Signal } from '@angular/core';
import { unitsOf, unitSystems, type Units, type UnitSystem } from '@hashira/core';

const key = 'hashira-units';

/** The reader's units, kept in the browser. */
@Injectable({ providedIn: 'root' })
export class ReadersUnits {
  readonly system = signal<UnitSystem>(
    unitSystems.find((name) => name === localStorage.getItem(key)) ?? 'metric',
  );
  readonly now = computed(() => unitsOf(this.system()));

  choose(system: UnitSystem): void {
    localStorage.setItem(key, system);
    this.system.set(system);
  }
}

/** The reader's units as they are now, for whatever shows numbers. */
export const readersUnits = (): Signal<Units> => inject(ReadersUnits).now;
