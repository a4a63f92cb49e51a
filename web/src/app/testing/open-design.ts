import type { Provider } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { AlternativeRun, cutList, type Design } from '@hashira/core';
import { MessageService } from 'primeng/api';
import { BehaviorSubject } from 'rxjs';
import type { CalculationState, KnownAlternative } from '../state/calculation/calculation-state';
import { Calculation } from '../state/calculation/calculation.service';
import type { Questions, Show } from '../state/calculation/protocol';
import { TraceService } from '../design/ledger/trace.service';
import { DesignWorkspace } from '../state/design-workspace.service';
import { Saving } from '../state/saving/saving.service';
import { namesForFields } from '../ui/names-for-fields';
import { ExpressionHelp } from '../state/expression-help.service';
import { Drawing } from '../state/drawing.service';
import { StepPreview } from '../state/preview.service';
import { TextDraft } from '../state/text-draft.service';
import { Selection } from '../state/selection.service';
import { ViewState } from '../state/view-state.service';
import { slipShed } from './slip-shed';

/** Calculates in the page, at once, what the workers calculate. */
class CalculationAtOnce {
  private readonly subject = new BehaviorSubject<CalculationState>({ alternatives: new Map(), version: 0 });
  private runs = new Map<string, AlternativeRun>();
  private show: Show = { result: 'U1', diagram: 'My' };
  private version = 0;
  readonly state$ = this.subject.asObservable();

  request(version: number, design: Design): void {
    this.version = version;
    this.runs = new Map(design.alternatives.map((one) => [one.id, new AlternativeRun(design, one)]));
    for (const run of this.runs.values()) run.advance('complete');
    this.tell();
  }

  setShow(show: Show): void {
    this.show = show;
    this.tell();
  }

  ask<Q extends keyof Questions>(
    alternative: string,
    question: Q,
    ask: Questions[Q]['ask'],
  ): Promise<unknown> {
    const run = this.runs.get(alternative);
    const { member = '', rule = '', figure = '', result } = ask as Record<string, string | undefined>;
    const {
      of,
      ids = [],
      condition = '',
      kind = '',
      parts,
      share = 0,
    } = ask as {
      kind?: string;
      share?: number;
      parts?: string[];
      of: 'members' | 'nodes';
      ids?: string[];
      condition?: string;
    };
    const answers: Record<keyof Questions, () => unknown> = {
      reading: () => run?.reading(this.show.result, member, 0.5),
      trace: () => run?.trace(figure, result),
      member: () => run?.memberSteps(member),
      alone: () => run?.underAlone(result ?? ''),
      cuts: () => run?.frame && cutList(run.frame),
      miniatures: () => run?.miniatures(),
      sums: () => run?.sums(),
      matches: () => run?.matchesOf(rule),
      place: () => run?.place(member, share),
      table: () => run?.resultTable(kind, { result: result ?? '', ...(parts ? { parts } : {}) }),
      proposal: () => run?.proposal(of, ids),
      selection: () => run?.selection(of, condition),
      tags: () => run?.tagValues(of),
    };
    return Promise.resolve(answers[question]());
  }

  private tell(): void {
    const known = [...this.runs].map(([id, run]): [string, KnownAlternative] => {
      // The last good drawing stays, as the service keeps it
      const scene = run.draw(this.show) ?? this.subject.value.alternatives.get(id)?.scene;
      return [
        id,
        { version: this.version, summary: run.summary(this.show.result), ...(scene ? { scene } : {}) },
      ];
    });
    this.subject.next({ alternatives: new Map(known), version: this.version });
  }
}

/** An open design in first order, which is quick to calculate, with all that its screens inject. */
export function openDesign(design: Design = quickShed(), more: Provider[] = []): DesignWorkspace {
  const saving = {
    state$: new BehaviorSubject({ kind: 'saved', revision: 1 }),
    begin: () => undefined,
    changed: () => undefined,
  };
  TestBed.configureTestingModule({
    providers: [
      DesignWorkspace,
      Selection,
      TextDraft,
      Drawing,
      StepPreview,
      ViewState,
      ExpressionHelp,
      { provide: namesForFields, useExisting: ExpressionHelp },
      TraceService,
      MessageService,
      provideRouter([]),
      { provide: Calculation, useClass: CalculationAtOnce },
      { provide: Saving, useValue: saving },
      ...more,
    ],
  });
  const workspace = TestBed.inject(DesignWorkspace);
  workspace.open('x', 1, design);
  return workspace;
}

/** The demo design in first order without imperfections. */
export function quickShed(): Design {
  return { ...slipShed(), analysis: { order: 1, imperfections: false } };
}
