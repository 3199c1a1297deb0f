import { format, formatDistanceToNow } from 'date-fns';
import { useCallback, useEffect, useState } from 'react';
import { toast } from 'sonner';
import { api, type Lan, type PairingCode } from '../store/api';

/** Tablets and phones that were let in, and a code for one more; only on the computer that runs Fomrik. */
export function Devices() {
  const [lan, setLan] = useState<Lan>();
  const [code, setCode] = useState<PairingCode>();
  const load = useCallback(() => void api.devices().then(setLan, () => setLan(undefined)), []);
  useEffect(load, [load]);
  useEffect(() => {
    if (!code) return;
    // The list shows the new device as soon as it is in.
    const timer = setInterval(load, 2000);
    return () => clearInterval(timer);
  }, [code, load]);
  if (!lan?.here || (lan.addresses.length === 0 && lan.devices.length === 0)) return null;
  const reported = (error: Error): void => void toast.error(error.message);
  return (
    <details className="mt-3 border-t border-hair pt-2">
      <summary className="cursor-pointer text-soft">
        Tablets and phones: {lan.devices.length === 0 ? 'none paired' : `${lan.devices.length} paired`}
      </summary>
      {!lan.secure && (
        <p className="mt-1 text-[13px] text-soft">
          The connection is not encrypted: whoever is on the network can read along, and a tablet cannot keep
          the application for when the server is away. A certificate changes that:{' '}
          <code className="font-mono [font-variant-ligatures:none]">
            ./fomrik start --lan --cert FILE --key FILE
          </code>
          .
        </p>
      )}
      <ul className="mt-1">
        {lan.devices.map((d) => (
          <li key={d.id} className="flex items-center gap-2 border-t border-hair py-1">
            <span className="min-w-0 flex-1">
              {d.name}{' '}
              <span className="text-soft">
                paired {format(new Date(d.pairedAt), 'd MMM yyyy')}, seen{' '}
                {formatDistanceToNow(new Date(d.seenAt), { addSuffix: true })}
              </span>
            </span>
            <button
              type="button"
              className="btn"
              onClick={() => void api.sendAway(d.id).then(load, reported)}
            >
              Revoke<span className="sr-only"> {d.name}</span>
            </button>
          </li>
        ))}
      </ul>
      {code && (
        <div className="mt-2 flex items-center gap-4">
          <img
            className="h-40 w-40 bg-white"
            alt={`QR code for ${code.links[0]}`}
            src={`data:image/svg+xml;utf8,${encodeURIComponent(code.qr)}`}
          />
          <p>
            Open <strong>{lan.addresses.join(' or ')}</strong> on the device, or scan the QR code, and type{' '}
            <strong className="text-[22px] tracking-widest">{code.code}</strong>
            <span className="block text-soft">
              Good until {format(new Date(code.until), 'HH:mm')}, for one device and up to five attempts.
            </span>
          </p>
        </div>
      )}
      {lan.addresses.length > 0 && (
        <button
          type="button"
          className="btn mt-2"
          onClick={() => void api.pairingCode().then(setCode, reported)}
        >
          {code ? 'Another code' : 'Pair a device'}
        </button>
      )}
    </details>
  );
}
