import { Injectable, inject, signal } from '@angular/core';
import type { CalculationStep } from '@hashira/core';
import { Calculation } from '../../state/calculation/calculation.service';
import { figureText } from '../../ui/fields/values';
import { readersUnits } from '../../ui/units.service';

/** A number and the way to it. */
export interface Trace {
  readonly title: string;
  /** Alternative, place and load that the number belongs to. */
  readonly about: string;
  readonly value: string;
  readonly code: string;
  readonly steps: readonly CalculationStep[];
  /** The member that it is of, where it is of one, and its pieces. */
  readonly member?: { readonly id: string; readonly of: readonly string[] };
}

/** What is asked for: a figure, or a member's checks, of an alternative. */
export type TraceQuestion =
  | {
      readonly kind: 'figure';
      readonly alternative: string;
      readonly title: string;
      readonly figure: string;
      readonly result?: string;
      readonly code: string;
    }
  | {
      readonly kind: 'member';
      readonly alternative: string;
      readonly title: string;
      readonly member: string;
      readonly name: string;
      readonly value: string;
      readonly code: string;
    };

/** The number whose way is shown; it is asked anew when the results change. */
@Injectable()
export class TraceService {
  private readonly units = readersUnits();
  private readonly calculation = inject(Calculation);
  readonly question = signal<TraceQuestion | undefined>(undefined);
  readonly trace = signal<Trace | undefined>(undefined);
  private asked = 0;
  private opener: HTMLElement | null = null;

  open(question: TraceQuestion): void {
    this.opener = document.activeElement as HTMLElement | null;
    this.question.set(question);
    void this.refresh();
  }

  /** Closes the trace; the focus goes back to what opened it. */
  close(): void {
    this.question.set(undefined);
    this.trace.set(undefined);
    this.opener?.focus();
    this.opener = null;
  }

  /** Asks again: the results have changed. */
  async refresh(): Promise<void> {
    const question = this.question();
    if (!question) return;
    const turn = ++this.asked;
    const trace = await this.ask(question);
    if (turn === this.asked && this.question() === question) this.trace.set(trace);
  }

  private async ask(question: TraceQuestion): Promise<Trace | undefined> {
    const { alternative, title, code } = question;
    if (question.kind === 'member') {
      const found = await this.calculation.ask(alternative, 'memberSteps', { member: question.member });
      return {
        title: 'Checks',
        about: `${title}: ${question.name}`,
        value: question.value,
        code,
        steps: found?.steps ?? [],
        member: { id: question.member, of: found?.of ?? [] },
      };
    }
    const { figure, result } = question;
    const found = await this.calculation.ask(alternative, 'figureTrace', {
      figure,
      ...(result === undefined ? {} : { result }),
    });
    return (
      found && {
        title: found.figure.title,
        about: [title, found.figure.place].filter(Boolean).join(': '),
        value: figureText(found.figure, this.units()),
        code,
        steps: found.steps,
        ...(found.member ? { member: found.member } : {}),
      }
    );
  }
}
