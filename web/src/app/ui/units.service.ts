import { Injectable, signal } from '@angular/core';
import { showUnits, unitSystems, type UnitSystem } from '@hashira/core';

const key = 'hashira-units';

/** The reader's units, kept in the browser. What is on the screen is rendered anew when they change. */
@Injectable({ providedIn: 'root' })
export class Units {
  readonly system = signal<UnitSystem>(
    unitSystems.find((name) => name === localStorage.getItem(key)) ?? 'metric',
  );

  constructor() {
    showUnits(this.system());
  }

  choose(system: UnitSystem): void {
    localStorage.setItem(key, system);
    showUnits(system);
    this.system.set(system);
  }
}
