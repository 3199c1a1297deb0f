import { standardKinds } from '@fomrik/core/parts';
import { Link } from 'react-router';
import { AddPart } from '../app/AddPart';
import { addPart } from '../app/partActions';

const [first] = standardKinds.forms.values();

/** What a station says before there is a part. */
export function Empty({ what }: { what: string }) {
  return (
    <div className="m-8 max-w-md">
      <h2 className="text-xl">Nothing to {what} yet</h2>
      <p className="my-2 text-soft">
        Hang a first part on the rack. It starts from the wearer’s measures; take them under Body first, or
        let them be estimated.
      </p>
      <div className="flex gap-2">
        {first && (
          <button type="button" className="btn btn-main" onClick={() => addPart(first.kind)}>
            Add a {first.label.toLowerCase()}
          </button>
        )}
        <AddPart />
        <Link className="btn" to="/">
          Look at a sample
        </Link>
      </div>
    </div>
  );
}
