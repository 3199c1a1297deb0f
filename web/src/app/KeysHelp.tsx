import { Sheet } from '../parts/Sheet';
import { toggle, useView } from '../store/view';
import { keyList } from './keys';

export function KeysHelp() {
  const open = useView((v) => v.keysOpen);
  return (
    <Sheet open={open} onClose={() => toggle('keysOpen')} title="Keys">
      <dl className="grid grid-cols-[130px_1fr] gap-y-1">
        {keyList.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="font-semibold">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
