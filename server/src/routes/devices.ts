import { firstOf } from '@fomrik/core/units';
import { type Request, Router } from 'express';
import { toString as qrCode } from 'qrcode';
import { isLocal } from '../admission';
import { pathId } from '../check';
import { HttpError } from '../errors';
import type { Pairing } from '../pairing';

/** How the server can be reached from the local network; no addresses when it listens to this computer alone. */
export interface Lan {
  addresses: readonly string[];
  secure: boolean;
}

const onlyHere = (req: Request): void => {
  if (!isLocal(req)) throw new HttpError(403, 'only-here', 'This is done on the computer that runs Fomrik.');
};

/** Devices that were let in, and codes for new ones. Only this computer makes codes and sends devices away. */
export function deviceRoutes(pairing: Pairing, lan: Lan): Router {
  const routes = Router();

  routes.get('/devices', async (req, res) => {
    res.json({ ...lan, here: isLocal(req), devices: await pairing.devices() });
  });

  routes.post('/devices/code', async (req, res) => {
    onlyHere(req);
    if (lan.addresses.length === 0)
      throw new HttpError(
        409,
        'not-on-lan',
        'Fomrik listens to this computer alone. Start it with: ./fomrik start --lan',
      );
    const { code, until } = pairing.begin();
    const links = lan.addresses.map((address) => `${address}pair?code=${code}`);
    const qr = await qrCode(firstOf(links), { type: 'svg', margin: 2 });
    res.status(201).json({ code, until: until.toISOString(), links, qr });
  });

  routes.delete('/devices/:id', async (req, res) => {
    onlyHere(req);
    await pairing.sendAway(pathId(req.params.id, 'device'));
    res.status(204).end();
  });

  return routes;
}
