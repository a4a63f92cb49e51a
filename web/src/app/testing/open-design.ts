import type { Provider } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import {
  drawingOf,
  questions,
  summaryOf,
  type Design,
  type EvaluatedAlternative,
  type Questions,
} from '@hashira/core';
import { MessageService } from 'primeng/api';
import { providePrimeNG } from 'primeng/config';
import { BehaviorSubject } from 'rxjs';
import type { CalculationState, KnownAlternative } from '../state/calculation/calculation-state';
import { Calculation } from '../state/calculation/calculation.service';
import { showOf, type Show } from '../state/calculation/protocol';
import { TraceService } from '../design/ledger/trace.service';
import { ComparisonView } from '../state/comparison-view.service';
import { DesignWorkspace } from '../state/design-workspace.service';
import { Saving } from '../state/saving/saving.service';
import { fieldSurroundings } from '../ui/fields/field-surroundings';
import { librarySettings } from '../ui/library/library-settings';
import { ExpressionHelp } from '../state/expression-help.service';
import { MembersView } from '../state/members-view.service';
import { MemberDrawing } from '../state/member-drawing.service';
import { StepPreview } from '../state/preview.service';
import { TextDraft } from '../state/text-draft.service';
import { Pointing } from '../state/pointing.service';
import { Selection } from '../state/selection.service';
import { ViewState } from '../state/view-state.service';
import { slipShed } from './slip-shed';
import { workedOut } from './worked-out';

/** Calculates in the page, at once, what the workers calculate. */
class CalculationAtOnce {
  private readonly subject = new BehaviorSubject<CalculationState>({ alternatives: new Map(), version: 0 });
  private evaluated = new Map<string, EvaluatedAlternative>();
  private show: Show = { result: 'U1', diagram: 'My' };
  private version = 0;
  readonly state$ = this.subject.asObservable();

  request(version: number, design: Design): void {
    this.version = version;
    this.evaluated = new Map(design.alternatives.map((one) => [one.id, workedOut(design, one)]));
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
    const one = this.evaluated.get(alternative);
    const answer = questions[question] as (of: EvaluatedAlternative, ask: unknown, shown: string) => unknown;
    return Promise.resolve(one && answer(one, ask, this.show.result));
  }

  private tell(): void {
    const known = [...this.evaluated].map(([id, one]): [string, KnownAlternative] => {
      // The last good drawing stays, as the service keeps it
      const scene = drawingOf(one, showOf(this.show, id)) ?? this.subject.value.alternatives.get(id)?.scene;
      return [
        id,
        { version: this.version, summary: summaryOf(one, this.show.result), ...(scene ? { scene } : {}) },
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
      Pointing,
      TextDraft,
      MemberDrawing,
      StepPreview,
      MembersView,
      ComparisonView,
      ViewState,
      ExpressionHelp,
      { provide: fieldSurroundings, useExisting: ExpressionHelp },
      TraceService,
      MessageService,
      providePrimeNG(librarySettings),
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
