import type { CircuitReport } from '../circuit';

/** What planning needs to know of a circuit. */
export interface Wiring extends Pick<CircuitReport, 'working' | 'pack' | 'switch' | 'feed' | 'run' | 'duty'> {
  name: string;
  copies: number;
  partIds: readonly string[];
  source?: { partId: string };
  solved?: { strings: readonly unknown[] };
  wireMm: number;
  awg: number;
  controlled: boolean;
  fused: boolean;
  crossings: number;
}
