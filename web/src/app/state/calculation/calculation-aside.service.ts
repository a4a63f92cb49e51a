import { Injectable, inject, type OnDestroy } from '@angular/core';
import type { AlternativeSummary, Design } from '@hashira/core';
import { ReadersUnits } from '../../ui/units.service';
import { CALCULATION_WORKER } from './calculation-tokens';
import type { WorkerAnswer, WorkerRequest } from './protocol';

/** Works out designs that are not open on the screen, one after the other, in a worker of its own. */
@Injectable()
export class CalculationAside implements OnDestroy {
  private readonly units = inject(ReadersUnits);
  private readonly makeWorker = inject(CALCULATION_WORKER);
  private worker: Worker | undefined;
  private version = 0;

  /** Ends when everything is known, or cannot be, or when what was told is enough. Newer work overtakes older. */
  calculate(
    design: Design,
    alternatives: readonly string[],
    isEnough: (summary: AlternativeSummary) => boolean,
  ): Promise<void> {
    const worker = (this.worker ??= this.makeWorker());
    const version = ++this.version;
    return new Promise((resolve) => {
      worker.onmessage = ({ data }: MessageEvent<WorkerAnswer>) => {
        if (!('version' in data) || data.version !== version) return;
        const enough = data.kind === 'summary' && isEnough(data.summary);
        if (enough || data.kind === 'done' || data.kind === 'broken') resolve();
      };
      worker.onerror = () => resolve();
      const show = { result: '', diagram: 'none', units: this.units.system() } as const;
      const request: WorkerRequest = { kind: 'calculate', version, design, alternatives, show };
      worker.postMessage(request);
    });
  }

  end(): void {
    this.worker?.terminate();
    this.worker = undefined;
  }

  ngOnDestroy(): void {
    this.end();
  }
}
