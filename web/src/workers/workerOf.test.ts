import { expect } from 'chai';
import { expose } from 'comlink';
import { Stopped, WorkerFault, workerOf } from './workerOf';

interface Sums {
  add: (a: number, b: number) => number;
  fail: () => never;
  hang: () => Promise<never>;
}

/** A worker in this thread: the far end of a channel that answers as a real one does. */
function fakeWorker(): Worker & { ended: boolean } {
  const { port1, port2 } = new MessageChannel();
  expose(
    {
      add: (a: number, b: number) => a + b,
      fail: () => {
        throw new Error('no sum');
      },
      hang: () => new Promise<never>(() => undefined),
    },
    port2 as never,
  );
  const own = new EventTarget();
  port1.start();
  const fake = {
    ended: false,
    postMessage: port1.postMessage.bind(port1),
    addEventListener: (type: string, heard: EventListener) =>
      (type === 'message' ? port1 : own).addEventListener(type, heard as never),
    removeEventListener: (type: string, heard: EventListener) =>
      (type === 'message' ? port1 : own).removeEventListener(type, heard as never),
    dispatchEvent: own.dispatchEvent.bind(own),
    terminate: () => {
      fake.ended = true;
      port1.close();
      port2.close();
    },
  };
  return fake as unknown as Worker & { ended: boolean };
}

const why = (asked: Promise<unknown>): Promise<Error> =>
  asked.then(
    () => {
      throw new Error('was answered');
    },
    (error: Error) => error,
  );

describe('a worker', () => {
  const made: (Worker & { ended: boolean })[] = [];
  const start = (): Worker => {
    made.push(fakeWorker());
    return made.at(-1)!;
  };
  afterEach(() => made.splice(0).forEach((w) => w.terminate()));

  it('is started once, answers, and says what a question threw', async () => {
    const { api } = workerOf<Sums>(start);
    expect(made).to.have.length(0);
    expect([await api.add(1, 2), await api.add(3, 4)]).to.deep.equal([3, 7]);
    expect((await why(api.fail())).message).to.equal('no sum');
    expect(made).to.have.length(1);
  });

  it('that fails or is missing says so, and is started anew by the next question', async () => {
    const { api } = workerOf<Sums>(start);
    const hanging = why(api.hang());
    made[0]!.dispatchEvent(new Event('error'));
    expect(await hanging)
      .to.be.instanceOf(WorkerFault)
      .with.property('message', 'It could not be loaded.');
    expect(made[0]!.ended).to.equal(true);
    expect(await api.add(1, 1)).to.equal(2);
    expect(made).to.have.length(2);
  });

  it('that does not answer is given up', async () => {
    const { api } = workerOf<Sums>(start, 20);
    expect((await why(api.hang())).message).to.equal('It did not answer within 0.02 s.');
    expect(made[0]!.ended).to.equal(true);
    expect(await api.add(1, 1)).to.equal(2);
  });

  it('that is stopped ends what is open, and nothing else', async () => {
    const { api, stop } = workerOf<Sums>(start);
    stop();
    const hanging = why(api.hang());
    stop();
    expect(await hanging).to.be.instanceOf(Stopped);
    expect(await api.add(2, 2)).to.equal(4);
  });
});
