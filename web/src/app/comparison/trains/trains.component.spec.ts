import { Component, inject } from '@angular/core';
import { ComponentFixture, TestBed } from '@angular/core/testing';
import type { Design } from '@hashira/core';
import { ComparisonView } from '../../state/comparison-view.service';
import { openDesign, quickShed } from '../../testing/open-design';
import { TrainsComponent } from './trains.component';
import { Trains } from './trains.service';

@Component({ imports: [TrainsComponent], providers: [Trains], template: `<app-trains />` })
class Host {
  readonly trains = inject(Trains);
}

/** The shed with two wheels on its rafters in two of its alternatives. */
function travelled(): Design {
  const design = quickShed();
  design.choices.push({
    id: 'crane',
    title: 'Crane',
    options: [
      { id: 'none', title: 'none', changes: {} },
      {
        id: 'yes',
        title: 'under the left rafter',
        changes: {
          rules: [
            {
              id: 'wheels',
              title: 'Wheels',
              members: 'role == "rafter" and side == "left"',
              train: { case: 'G', forces: ['10 kN', '10 kN'], gaps: ['2 m'], direction: '-z' },
            },
          ],
        },
      },
    ],
  });
  design.alternatives.slice(1, 3).forEach((one) => (one.picks['crane'] = 'yes'));
  return design;
}

describe('TrainsComponent', () => {
  let fixture: ComponentFixture<Host>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    for (let i = 0; i < 3; i++) {
      await new Promise((done) => setTimeout(done, 20));
      await fixture.whenStable();
    }
  };
  const open = async (design: Design) => {
    openDesign(design);
    TestBed.inject(ComparisonView).leaf.set('trains');
    fixture = TestBed.createComponent(Host);
    await settled();
  };
  afterEach(() => fixture.destroy());

  it('tells what the train comes to in each alternative that has it, and draws it where it is worst', async () => {
    await open(travelled());
    const { trains } = fixture.componentInstance;
    expect(trains.exist()).toBeTrue();
    expect([...trains.influences().keys()]).toEqual(['pinned', 'three-hinges']);
    const words = [...host().querySelectorAll('.words')].map((one) => one.textContent);
    expect(words.length).toBe(2);
    expect(words[0]).toMatch(/^Pinned bases, My in left rafter.*greatest .*kN·m with the first force at/);
    expect(host().querySelectorAll('.plot').length).toBe(3);
    const arrows = trains.arrowsOn('pinned');
    expect(arrows.map(({ text }) => text.replace(/\u00a0/g, ' '))).toEqual(['10.0 kN', '10.0 kN']);
    expect(trains.arrowsOn('fixed')).toEqual([]);
  });

  it('moves it along, and reads what is pressed or chosen', async () => {
    await open(travelled());
    const { trains } = fixture.componentInstance;
    trains.at.set(3);
    await settled();
    const [first, second] = trains.arrowsOn('pinned');
    // Two wheels 2 m apart along the rafter
    expect(Math.hypot(first!.at[0] - second!.at[0], first!.at[2] - second!.at[2])).toBeCloseTo(2, 6);
    trains.read({ figure: 'utilisation' });
    await settled();
    expect(host().querySelector('[role=alert]')!.textContent).toContain('has no influence line');
    trains.readAt('shed.column.1', 0.9, 'N');
    await settled();
    expect(host().querySelector('.words')!.textContent).toContain('N in left column');
  });

  it('says what to do where no alternative has one', async () => {
    await open(quickShed());
    expect(fixture.componentInstance.trains.exist()).toBeFalse();
    expect(host().querySelector('[role=status]')!.textContent).toContain('No alternative on the screen');
  });
});
