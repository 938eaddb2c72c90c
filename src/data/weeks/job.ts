import 'server-only';
import type { WeeksProblem } from '@/core/weeks/weeks';
import type { WeeksAt, WeeksDone } from './solved';

export interface WeeksQuestion {
  readonly problem: WeeksProblem;
  readonly seconds: number;
  /** 1 in it: what is found so far is enough. */
  readonly stop: SharedArrayBuffer;
}

export type WeeksSaid = WeeksAt | { readonly done: WeeksDone } | { readonly failed: string };

/** A thread that solves; a test may put something else in its place. */
export interface WeeksThread {
  readonly postMessage: (question: WeeksQuestion) => void;
  readonly on: (event: 'message' | 'error', told: (said: unknown) => void) => unknown;
  readonly terminate: () => unknown;
}

/** Where solving is. */
export type WeeksState =
  | { readonly is: 'idle' }
  | (WeeksAt & {
      readonly is: 'running';
      readonly since: number;
      /** Seconds that it may take. */
      readonly seconds: number;
      readonly stopping: boolean;
    })
  | { readonly is: 'nothing'; readonly done: WeeksDone }
  | { readonly is: 'failed'; readonly why: string };

interface Running {
  readonly thread: WeeksThread;
  readonly stop: SharedArrayBuffer;
}

/** One solving at a time: who asks anew ends what ran before, and its answer is not kept. */
export class WeeksJob {
  private state: WeeksState = { is: 'idle' };
  private running: Running | undefined;

  constructor(
    private readonly start: () => WeeksThread,
    private readonly now: () => number,
  ) {}

  get at(): WeeksState {
    return this.state;
  }

  /** Solves in the background; `keep` is told the answer, where there is one. */
  solve(problem: WeeksProblem, seconds: number, keep: (done: WeeksDone) => Promise<void>): void {
    this.end();
    const own: Running = { thread: this.start(), stop: new SharedArrayBuffer(4) };
    this.running = own;
    this.state = {
      is: 'running',
      since: this.now(),
      seconds,
      step: 'the fewest cook days',
      gap: undefined,
      soFar: undefined,
      stopping: false,
    };
    const isOver = () => this.running !== own;
    const over = (state: WeeksState) => {
      if (isOver()) return;
      this.end();
      this.state = state;
    };
    own.thread.on('error', (error) => over({ is: 'failed', why: String(error) }));
    own.thread.on('message', (message) => {
      const said = message as WeeksSaid;
      if (isOver()) return;
      if ('step' in said) {
        if (this.state.is === 'running') this.state = { ...this.state, ...said };
      } else if ('failed' in said) over({ is: 'failed', why: said.failed });
      else if (said.done.answer === undefined) over({ is: 'nothing', done: said.done });
      else
        keep(said.done).then(
          () => over({ is: 'idle' }),
          (error: unknown) => over({ is: 'failed', why: String(error) }),
        );
    });
    own.thread.postMessage({ problem, seconds, stop: own.stop });
  }

  /** What is found so far is taken; where nothing is found yet it ends with nothing. */
  enough(): void {
    if (this.state.is !== 'running' || !this.running) return;
    Atomics.store(new Int32Array(this.running.stop), 0, 1);
    this.state = { ...this.state, stopping: true };
  }

  private end(): void {
    void this.running?.thread.terminate();
    this.running = undefined;
    this.state = { is: 'idle' };
  }
}
