import { Sheet } from '../parts/Sheet';
import { toggle, useView } from '../store/view';
import { keys } from './keys';

export function KeysHelp() {
  const open = useView((v) => v.keysOpen);
  return (
    <Sheet open={open} onClose={() => toggle('keysOpen')} title="Keys">
      <button
        type="button"
        className="btn mb-2"
        onClick={() => useView.setState({ keysOpen: false, tourOpen: true })}
      >
        Take the tour
      </button>
      <dl className="grid grid-cols-[130px_1fr] gap-y-1">
        {keys
          .filter(({ shown }) => shown !== '')
          .map(({ shown, does }) => (
            <div key={shown} className="contents">
              <dt className="font-semibold">{shown}</dt>
              <dd>{does}</dd>
            </div>
          ))}
      </dl>
    </Sheet>
  );
}
