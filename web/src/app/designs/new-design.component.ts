import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { emptyDesign, startPicture, startingPoints, type Design, type StartingPoint } from '@hashira/core';
import { firstValueFrom } from 'rxjs';
import { DesignApi } from '../state/saving/design-api.service';
import { ActionDirective } from '../ui/action.directive';
import { readDesignFile } from '../state/saving/design-file';

const size = { width: 300, height: 150 };

/** What a new design begins from: starting points drawn to scale, or a file. */
@Component({
  selector: 'app-new-design',
  imports: [ActionDirective, RouterLink],
  templateUrl: './new-design.component.html',
  styleUrl: './new-design.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewDesignComponent {
  private readonly api = inject(DesignApi);
  private readonly router = inject(Router);

  protected readonly cards = startingPoints.map((start) => ({ start, picture: miniatureOf(start) }));
  protected readonly problem = signal('');
  protected readonly busy = signal(false);

  protected readonly empties = [
    { space: 'plane', words: 'plane' },
    { space: 'solid', words: 'solid' },
  ] as const;

  protected begin(start: StartingPoint): Promise<void> {
    return this.attempt(async () => this.open(await this.named(start.design()), start.benched));
  }

  /** Begins with nothing: the first member is drawn. */
  protected draw(space: 'plane' | 'solid'): Promise<void> {
    return this.attempt(async () => this.open(await this.named(emptyDesign(space))));
  }

  /** The design under a title that no other has. */
  private async named(design: Design): Promise<Design> {
    const titles = (await firstValueFrom(this.api.list())).map((one) => one.title);
    let { title } = design;
    for (let n = 2; titles.includes(title); n++) title = `${design.title} ${n}`;
    return { ...design, title };
  }

  protected import(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    return file ? this.attempt(async () => this.open(await readDesignFile(file))) : Promise.resolve();
  }

  private async open(document: unknown, benched?: string): Promise<void> {
    const stored = await firstValueFrom(this.api.create(document));
    if (benched === undefined) await this.router.navigate(['/designs', stored.id]);
    else
      await this.router.navigate(['/designs', stored.id, 'members'], {
        queryParams: { member: benched, bench: 1 },
      });
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    this.busy.set(true);
    try {
      await work();
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : String(error));
    } finally {
      this.busy.set(false);
    }
  }
}

/** A starting point with its supports and loads, from the front or obliquely, as the address of a picture. */
const miniatureOf = (start: StartingPoint): string =>
  `data:image/svg+xml,${encodeURIComponent(startPicture(start.design(), size))}`;
