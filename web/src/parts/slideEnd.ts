import { dragEnd } from '../store/build';
import { useView } from '../store/view';

/** A drag of a value is over: nothing is snapped to any longer. */
export function slideEnd(): void {
  useView.setState({ snappedTo: undefined });
  dragEnd();
}
