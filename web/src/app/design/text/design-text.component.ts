import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  computed,
  effect,
  inject,
  signal,
  untracked,
  viewChild,
  type OnDestroy,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  autocompletion,
  type Completion,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete';
import { json, jsonParseLinter } from '@codemirror/lang-json';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { linter, lintGutter, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorView } from '@codemirror/view';
import { pageNonce } from '../../ui/library/nonce';
import { designSchema, expectedAt, type Design, type Problem } from '@hashira/core';
import { tags } from '@lezer/highlight';
import { basicSetup } from 'codemirror';
import { EMPTY, Subject, catchError, debounceTime, map, switchMap } from 'rxjs';
import { ApiProblem, DesignApi } from '../../state/saving/design-api.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { TextDraft } from '../../state/text-draft.service';
import { placeAt, rangeOf, readLoosely } from './json-places';
import { ActionDirective } from '../../ui/action.directive';

/** How long the hand rests before what is typed is read, ms. */
const rest = 400;

/**
 * The whole design as JSON: names and values are offered as its definition allows them, what is wrong is marked where it stands, and a
 * text that is a design is taken up at once. Changes made elsewhere come into the text, unless something is typed that is not one yet.
 */
@Component({
  selector: 'app-design-text',
  imports: [ActionDirective],
  template: `
    <p class="told" [class.wrong]="problems().length > 0" role="status">{{ told() }}</p>
    <div #editor class="editor"></div>
    @if (problems().length > 0) {
      <ul class="problems">
        @for (problem of problems().slice(0, 5); track $index) {
          <li>
            <button type="button" class="plain" (click)="show(problem)">{{ problem.message }}</button>
          </li>
        }
        @if (problems().length > 5) {
          <li class="soft">and {{ problems().length - 5 }} more</li>
        }
      </ul>
      <button appAction (click)="giveUp()">back to the design as it is</button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      height: 100%;
    }
    .told {
      margin: 0 0 4px;
      color: var(--ink-soft);
    }
    .wrong,
    .problems button {
      color: var(--vermilion-text);
    }
    .editor {
      flex: 1;
      min-height: 8rem;
      overflow: hidden;
      border: 1px solid var(--ink-faint);
      background: var(--sheet);
    }
    .problems {
      margin: 4px 0;
      list-style: none;
      padding: 0;
      max-height: 7rem;
      overflow: auto;
    }
    .problems button {
      min-height: 24px;
      text-align: left;
      white-space: normal;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DesignTextComponent implements OnDestroy {
  private readonly workspace = inject(DesignWorkspace);
  private readonly api = inject(DesignApi);
  private readonly draft = inject(TextDraft);
  private readonly place = viewChild.required<ElementRef<HTMLElement>>('editor');
  private view: EditorView | undefined;
  private readonly typed = new Subject<string>();
  /** The design that the text says, or said before something was typed. */
  private said: Design | undefined;
  private readonly pending = signal(false);
  protected readonly problems = signal<readonly Problem[]>([]);
  protected readonly told = computed(() => {
    const { length } = this.problems();
    if (length > 0) return `Not taken up: ${length === 1 ? 'one thing is' : `${length} things are`} wrong`;
    return this.pending() ? 'Reading…' : 'The design as it is; what you type is taken up at once';
  });

  constructor() {
    this.typed
      .pipe(
        takeUntilDestroyed(),
        debounceTime(rest),
        switchMap((text) => {
          const value = parsed(text);
          if (value === undefined) return EMPTY;
          return this.api.read(value).pipe(
            map((design) => ({ design, problems: [] as readonly Problem[] })),
            catchError((error: unknown) => {
              if (!(error instanceof ApiProblem)) throw error;
              const { message, problems } = error;
              return [
                { design: undefined, problems: problems.length > 0 ? problems : [unanswered(message)] },
              ];
            }),
          );
        }),
      )
      .subscribe(({ design, problems }) => this.take(design, problems));
    afterNextRender(() => this.open());
    effect(() => {
      const design = this.workspace.state()?.design;
      if (design) untracked(() => this.follow(design));
    });
  }

  ngOnDestroy(): void {
    // What is typed and not taken up stands here again when the leaf is opened the next time
    this.draft.text =
      this.pending() || this.problems().length > 0 ? this.view?.state.doc.toString() : undefined;
    this.view?.destroy();
  }

  private open(): void {
    this.said = this.workspace.state()!.design;
    const { text } = this.draft;
    this.view = new EditorView({
      doc: text ?? written(this.said),
      parent: this.place().nativeElement,
      extensions: [
        basicSetup,
        EditorView.cspNonce.of(pageNonce ?? ''),
        json(),
        lintGutter(),
        linter(jsonParseLinter(), { delay: rest }),
        autocompletion({ override: [offered] }),
        EditorView.contentAttributes.of({ 'aria-label': 'The design as JSON', tabindex: '0' }),
        EditorView.updateListener.of(({ docChanged, view, transactions }) => {
          if (!docChanged || transactions.some((one) => one.isUserEvent('follow'))) return;
          this.read(view);
        }),
        look,
        syntaxHighlighting(ink),
      ],
    });
    if (text !== undefined) this.read(this.view);
  }

  private read(view: EditorView): void {
    this.pending.set(true);
    this.problems.set(unreadable(view));
    this.typed.next(view.state.doc.toString());
  }

  /** A design that was changed elsewhere comes into the text, with the caret where it was. */
  private follow(design: Design): void {
    const { view } = this;
    if (!view || design === this.said || this.pending() || this.problems().length > 0) return;
    this.said = design;
    const caret = Math.min(view.state.selection.main.head, written(design).length);
    view.dispatch({
      changes: { from: 0, to: view.state.doc.length, insert: written(design) },
      selection: { anchor: caret },
      userEvent: 'follow',
    });
  }

  private take(design: Design | undefined, problems: readonly Problem[]): void {
    const { view } = this;
    if (!view) return;
    this.pending.set(false);
    this.problems.set(problems);
    view.dispatch(
      setDiagnostics(
        view.state,
        problems.map((one) => marked(view, one)),
      ),
    );
    if (!design) return;
    this.said = design;
    this.workspace.replace(design, 'text');
  }

  /** Puts the caret where something is wrong. */
  protected show(problem: Problem): void {
    const { view } = this;
    if (!view) return;
    const { from, to } = marked(view, problem);
    view.dispatch({ selection: { anchor: from, head: to }, scrollIntoView: true });
    view.focus();
  }

  /** Puts what was typed away. */
  protected giveUp(): void {
    this.problems.set([]);
    this.pending.set(false);
    this.said = undefined;
    this.follow(this.workspace.state()!.design);
  }
}

/** The editor on the drawing office's sheet. */
const look = EditorView.theme({
  '&': { height: '100%', fontSize: '0.929rem' },
  '.cm-scroller': { overflow: 'auto', fontFamily: 'ui-monospace, monospace' },
  '.cm-tooltip': { background: 'var(--sheet)', border: '1px solid var(--ink-faint)' },
  '.cm-tooltip-autocomplete ul li[aria-selected]': { background: 'var(--indigo)', color: 'var(--sheet)' },
  '.cm-gutters': { background: 'var(--paper)', color: 'var(--ink-soft)' },
});

/** Colours mean other things here: names stand back, values stand out. */
const ink = HighlightStyle.define([
  { tag: tags.propertyName, color: 'var(--ink-soft)' },
  { tag: tags.string, color: 'var(--ink)' },
  { tag: [tags.number, tags.bool, tags.null], color: 'var(--ink)', fontWeight: '600' },
]);

const written = (design: Design): string => JSON.stringify(design, null, 2);

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    // What is wrong is marked by the editor
    return undefined;
  }
}

const unanswered = (message: string): Problem => ({ code: 'unanswered', message, where: {} });

/** What keeps a text from being JSON. */
function unreadable(view: EditorView): Problem[] {
  return jsonParseLinter()(view).map(({ message, from }) => ({
    code: 'not-json',
    // The line is told in front; the place by characters says nothing to a reader
    message: `Line ${view.state.doc.lineAt(from).number}: ${message.replace(/( in JSON)? at position .*$/, '')}`,
    where: { offset: from },
  }));
}

function marked({ state }: EditorView, { message, where }: Problem): Diagnostic {
  const { offset, path } = where;
  const place =
    typeof offset === 'number'
      ? { from: offset, to: offset }
      : rangeOf(state, typeof path === 'string' ? path : '');
  return { ...place, severity: 'error', message };
}

/** Fields and values that can stand where the caret is. */
function offered({ state, pos, explicit }: CompletionContext): CompletionResult | null {
  const place = placeAt(state, pos);
  if (!place || (place.from === place.to && !explicit)) return null;
  const { fields, values } = expectedAt(designSchema, readLoosely(state), place.path);
  const options: Completion[] =
    place.writes === 'value'
      ? values.map((value) => ({ label: value }))
      : fields
          .filter(({ present }) => !present)
          .map(({ name, required, start }) => ({
            label: `"${name}"`,
            ...(required ? { detail: 'needed' } : {}),
            apply: `"${name}": ${start}`,
          }));
  // By what stands before the caret: the rest of the word gives way
  const begun = state.sliceDoc(place.from, pos);
  return {
    from: place.from,
    to: place.to,
    options: options.filter(({ label }) => label.startsWith(begun)),
    filter: false,
  };
}
