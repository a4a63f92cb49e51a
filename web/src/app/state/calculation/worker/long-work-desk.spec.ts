import { openedShed } from '../../../testing/opened-shed';
import { LongWorkDesk } from './long-work-desk';
import type { LongWorkAnswer } from '../long-work-protocol';

describe('LongWorkDesk', () => {
  const { design, alternative } = openedShed();
  const answers: LongWorkAnswer[] = [];
  const ended = async () => {
    for (let i = 0; i < 500 && !answers.some(({ kind }) => kind !== 'progress'); i++)
      await new Promise((done) => setTimeout(done, 10));
    return answers.find(({ kind }) => kind !== 'progress');
  };
  beforeEach(() => (answers.length = 0));

  it('tells how far it is, and the result in the end', async () => {
    const desk = new LongWorkDesk((answer) => answers.push(answer));
    desk.take({ kind: 'begin', work: 'failure', design, alternative, options: { raise: 'S=1' } });
    const last = await ended();
    expect(last!.kind).toBe('result');
    expect(answers[0]).toEqual(jasmine.objectContaining({ kind: 'progress' }));
  });

  it('stopped, tells what it has found until then', async () => {
    const desk = new LongWorkDesk((answer) => answers.push(answer));
    desk.take({ kind: 'begin', work: 'suggest', design, alternative, options: {} });
    desk.take({ kind: 'stop' });
    const last = (await ended()) as { result: { status: string } };
    expect(last.result.status).toBe('stopped');
  });

  it('a problem is a sentence', async () => {
    const desk = new LongWorkDesk((answer) => answers.push(answer));
    desk.take({ kind: 'begin', work: 'failure', design, alternative, options: { raise: 'X=1' } });
    expect(await ended()).toEqual({
      kind: 'problem',
      message: jasmine.stringContaining('There is no load case "X"'),
    });
  });
});
