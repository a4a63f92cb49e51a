import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { ViewName } from '@hashira/core';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { AlternativesStripComponent } from '../design/alternatives/alternatives-strip.component';
import { StageOverlayDirective, StageOverlays } from '../stage/labels/stage-overlays';
import { StageComponent } from '../stage/stage.component';
import type { Pressed, StageContent } from '../stage/types';
import { DesignWorkspace } from '../state/design-workspace.service';
import { MembersView, type MemberPanel } from '../state/members-view.service';
import { Selection } from '../state/selection.service';
import { ViewState } from '../state/view-state.service';
import { BenchComponent } from './bench.component';
import { FailureFrameComponent } from './failure-frame.component';
import { FailureComponent } from './failure.component';
import { FailurePath } from './failure-path.service';
import { MemberSheetComponent } from './member-sheet.component';
import { ScheduleComponent } from './schedule.component';
import { SectionChanges } from './section-changes.service';
import { SuggestionsComponent } from './suggestions.component';

/** Which members pass, which are over or far too strong, why, and what would help: a drawing with utilisation beside a schedule. */
@Component({
  selector: 'app-members-screen',
  imports: [
    AlternativesStripComponent,
    BenchComponent,
    FailureComponent,
    FailureFrameComponent,
    FormsModule,
    MemberSheetComponent,
    ScheduleComponent,
    Select,
    SelectButton,
    StageComponent,
    StageOverlayDirective,
    SuggestionsComponent,
  ],
  templateUrl: './members-screen.component.html',
  styleUrl: './members-screen.component.css',
  providers: [StageOverlays, SectionChanges, FailurePath],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MembersScreenComponent {
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  protected readonly members = inject(MembersView);
  protected readonly path = inject(FailurePath);
  private readonly selection = inject(Selection);

  protected readonly panels: { label: string; value: MemberPanel }[] = [
    { label: 'schedule', value: 'schedule' },
    { label: 'lighter sections', value: 'suggestions' },
    { label: 'load to failure', value: 'failure' },
  ];
  protected readonly directions: { label: string; value: ViewName }[] = [
    { label: 'front', value: 'front' },
    { label: 'side', value: 'side' },
    { label: 'plan', value: 'plan' },
    { label: 'oblique', value: 'oblique' },
  ];

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly alternative = computed(() => this.workspace.selectedAlternative(this.design()));
  private readonly known = computed(() => this.workspace.results().alternatives.get(this.alternative().id));
  protected readonly problems = computed(() => this.known()?.summary.problems ?? []);
  protected readonly content = computed((): StageContent | undefined => {
    const scene = this.known()?.scene;
    return scene && { scene, layers: this.view.layers(), scales: this.view.scales(), dimensions: false };
  });
  protected readonly combinations = computed(() => [
    { label: 'all combinations, the worst', value: '' },
    ...(this.known()?.summary.results ?? [])
      .filter(({ kind, state }) => kind === 'combination' && state === 'strength')
      .map(({ id, title }) => ({ label: `${id} ${title}`, value: id })),
  ]);

  constructor() {
    this.members.open.set(true);
    inject(DestroyRef).onDestroy(() => this.members.open.set(false));
    // The member whose sheet is open is lit up on the drawing
    effect(() => {
      const member = this.members.member();
      untracked(() => {
        if (member !== undefined) this.selection.pick('members', [member]);
      });
    });
  }

  protected setUnder(id: string): void {
    this.members.under.set(id === '' ? undefined : id);
  }

  /** A member that is pressed opens its sheet. */
  protected picked({ of, ids }: Pressed): void {
    if (of !== 'members' || ids.length === 0) return;
    this.members.member.set(ids[0]);
  }

  protected closeSheet(): void {
    this.members.member.set(undefined);
    this.selection.clear();
  }
}
