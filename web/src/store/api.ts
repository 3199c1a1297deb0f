import type { Wearer, Zone } from '@fomrik/core/body';
import type { KeptScheme, Printer, BuildDoc, LogEntry, Pin, Side } from '@fomrik/core/document';
import type { Digest } from '@fomrik/core/report';
import type { FoamStock, OwnFoam } from '@fomrik/core/materials';

export interface BuildSummary {
  id: string;
  name: string;
  version: number;
  updatedAt: string;
  eventDate: string;
  wearer: string;
  parts: number;
  worn: { zone: Zone; side: Side }[];
  /** What it may cost, and what its receipts come to; those in other currencies are counted apart. */
  money?: { budget: number; currency: string; spent: number; other: number };
  /** What was last worked out of it, when nothing changed since. */
  digest?: Digest;
  /** Why it cannot be opened, when it cannot. */
  broken?: string;
}

export interface SavedBuild {
  id: string;
  version: number;
  updatedAt: string;
  doc: BuildDoc;
}

/** A part in the shop's book, as a build of it alone; or why it cannot be read. */
export interface KeptPart {
  id: string;
  version: number;
  name: string;
  keptAt: string;
  doc?: BuildDoc;
  broken?: string;
}

/** What the shop keeps counts its changes. */
export type SavedWearer = Wearer & { id: string; version: number };
export type SavedFoam = OwnFoam & { version: number };
export type SavedScheme = KeptScheme & { version: number };
export type SavedPrinter = Printer & { version: number };
export type SharedFoam = FoamStock & { version: number };

/** One foam of the shelf as it is to be; without an item it is taken off. */
export interface FoamChange {
  foamId: string;
  nominalMm: number;
  baseVersion: number;
  item: FoamStock | null;
}

/** A copy of everything in the data directory. */
export interface Copy {
  name: string;
  madeAt: string;
  bytes: number;
}

/** How other devices reach the server, and which were let in; `here` is the computer it runs on. */
export interface Lan {
  addresses: string[];
  secure: boolean;
  here: boolean;
  devices: { id: string; name: string; pairedAt: string; seenAt: string }[];
}

export interface PairingCode {
  code: string;
  until: string;
  links: string[];
  /** The first link as a QR code, SVG. */
  qr: string;
}

/** What the server said no to, or that it did not answer at all (`status` 0). */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    /** What is there instead, where something else was saved meanwhile. */
    readonly current?: unknown,
  ) {
    super(message);
  }
}

interface ErrorBody {
  error?: { code: string; message: string; field?: string; current?: unknown };
}

/** How long an answer may take; a build with pictures may take longer. */
const WAIT_MS = 30_000;
const LONG_WAIT_MS = 600_000;

interface Asked {
  signal?: AbortSignal;
  waitMs?: number;
}

/** Every request has a time limit. @throws ApiError of status 0 when there is no answer in time; what aborted it otherwise. */
async function reached(
  path: string,
  request: RequestInit,
  { signal, waitMs = WAIT_MS }: Asked = {},
): Promise<Response> {
  const limit = AbortSignal.timeout(waitMs);
  try {
    return await fetch(`/api${path}`, {
      ...request,
      signal: signal ? AbortSignal.any([signal, limit]) : limit,
    });
  } catch {
    signal?.throwIfAborted();
    const late = limit.aborted ? ` within ${waitMs / 1000} s` : '';
    throw new ApiError(0, 'away', `The server does not answer${late}.`);
  }
}

const call = async <T>(method: string, path: string, body?: unknown, asked?: Asked): Promise<T> =>
  answered<T>(
    await reached(
      path,
      {
        method,
        ...(body !== undefined && {
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        }),
      },
      asked,
    ),
  );

async function answered<T>(response: Response): Promise<T> {
  if (response.status === 204) return undefined as T;
  let parsed: unknown;
  try {
    parsed = JSON.parse(await response.text());
  } catch {
    throw new ApiError(response.ok ? 0 : response.status, 'garbled', 'The server’s answer made no sense.');
  }
  if (!response.ok) {
    const { error } = parsed as ErrorBody;
    throw new ApiError(
      response.status,
      error?.code ?? 'unknown',
      error?.message ?? 'The server refused.',
      error?.current,
    );
  }
  return parsed as T;
}

const build = (id: string): string => `/builds/${encodeURIComponent(id)}`;

const item = (kind: string, id: string, baseVersion?: number): string =>
  `/${kind}/${encodeURIComponent(id)}${baseVersion === undefined ? '' : `?baseVersion=${baseVersion}`}`;

/** A picture of this computer is sent as it is; the server reads, turns and packs it. */
async function sendPicture(file: Blob): Promise<{ content: string; widthPx: number; heightPx: number }> {
  return answered(
    await reached(
      '/pictures',
      {
        method: 'POST',
        headers: { 'content-type': file.type || 'image/png' },
        body: file,
      },
      { waitMs: LONG_WAIT_MS },
    ),
  );
}

/** A build file as it is: JSON, or an archive with pictures. */
async function sendBuildFile(file: Blob): Promise<SavedBuild> {
  const [first, second] = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  const zipped = first === 0x50 && second === 0x4b;
  const type = zipped ? 'application/zip' : 'application/json';
  return answered(
    await reached(
      '/import',
      { method: 'POST', headers: { 'content-type': type }, body: file },
      { waitMs: LONG_WAIT_MS },
    ),
  );
}

export const api = {
  putPicture: sendPicture,
  pictureUrl: (content: string) => `/api/pictures/${encodeURIComponent(content)}`,
  list: () => call<{ builds: BuildSummary[] }>('GET', '/builds').then((r) => r.builds),
  create: (doc: BuildDoc) => call<SavedBuild>('POST', '/builds', { doc }),
  load: (id: string, signal?: AbortSignal) =>
    call<SavedBuild>('GET', build(id), undefined, signal ? { signal } : {}),
  save: (id: string, baseVersion: number, doc: BuildDoc) =>
    call<{ version: number }>('PUT', build(id), { baseVersion, doc }),
  remove: (id: string) => call<undefined>('DELETE', build(id)),
  restore: (id: string) => call<SavedBuild>('POST', `${build(id)}/restore`),
  duplicate: (id: string) => call<SavedBuild>('POST', `${build(id)}/duplicate`),
  importFile: sendBuildFile,
  putDigest: (id: string, version: number, digest: Digest) =>
    call<undefined>('PUT', `${build(id)}/digest`, { version, ...digest }),
  rawUrl: (id: string) => `/api${build(id)}/raw`,
  /** A build file; what of the wearer goes along is asked. */
  fileUrl: (id: string, along: { measures: boolean; name: boolean }) =>
    `/api${build(id)}/file?measures=${along.measures ? 1 : 0}&name=${along.name ? 1 : 0}`,
  liveUrl: (id: string) => `/api${build(id)}/live`,
  copies: () => call<{ copies: Copy[] }>('GET', '/copies').then((r) => r.copies),
  makeCopy: () => call<Copy>('POST', '/copies', {}, { waitMs: LONG_WAIT_MS }),
  restoreCopy: (name: string) =>
    call<{ before: Copy }>(
      'POST',
      `/copies/${encodeURIComponent(name)}/restore`,
      {},
      { waitMs: LONG_WAIT_MS },
    ),
  shopFileUrl: '/api/shop/file',
  readShop: (file: unknown) => call<{ added: number; there: number }>('POST', '/shop/file', file),
  copyUrl: (name: string) => `/api/copies/${encodeURIComponent(name)}`,
  samples: () => call<{ loaded: string[] }>('POST', '/samples', {}, { waitMs: LONG_WAIT_MS }),
  devices: () => call<Lan>('GET', '/devices'),
  pairingCode: () => call<PairingCode>('POST', '/devices/code', {}),
  sendAway: (id: string) => call<undefined>('DELETE', `/devices/${encodeURIComponent(id)}`),
  trash: () =>
    call<{ builds: { id: string; name: string; deletedAt: string }[] }>('GET', '/trash').then(
      (r) => r.builds,
    ),
  emptyTrash: () => call<{ erased: number }>('DELETE', '/trash'),
  erase: (id: string) => call<undefined>('DELETE', `/trash/${encodeURIComponent(id)}`),
  /** Pins, and the names of those that cannot be read. */
  pins: (id: string) => call<{ pins: Pin[]; broken: string[] }>('GET', `${build(id)}/pins`),
  putPin: (id: string, pin: Pin) => call<Pin>('PUT', `${build(id)}/pins/${pin.id}`, pin),
  removePin: (id: string, pinId: string) => call<undefined>('DELETE', `${build(id)}/pins/${pinId}`),
  log: (id: string) => call<{ log: LogEntry[] }>('GET', `${build(id)}/log`).then((r) => r.log),
  lessons: (id: string) =>
    call<{ lessons: (LogEntry & { build: string })[] }>('GET', `${build(id)}/lessons`).then((r) => r.lessons),
  putLog: (id: string, entry: LogEntry) => call<LogEntry>('PUT', `${build(id)}/log/${entry.id}`, entry),
  removeLog: (id: string, entryId: string) => call<undefined>('DELETE', `${build(id)}/log/${entryId}`),
  revisions: (id: string) =>
    call<{ revisions: { version: number; savedAt: string }[] }>('GET', `${build(id)}/revisions`).then(
      (r) => r.revisions,
    ),
  revision: (id: string, version: number) =>
    call<{ doc: BuildDoc }>('GET', `${build(id)}/revisions/${version}`),
  schemes: () => call<{ schemes: SavedScheme[] }>('GET', '/schemes').then((r) => r.schemes),
  putScheme: (baseVersion: number, kept: KeptScheme) =>
    call<SavedScheme>('PUT', item('schemes', kept.id), { baseVersion, kept }),
  removeScheme: (id: string, baseVersion: number) =>
    call<undefined>('DELETE', item('schemes', id, baseVersion)),
  ownFoams: () => call<{ foams: SavedFoam[] }>('GET', '/own-foams').then((r) => r.foams),
  putOwnFoam: (baseVersion: number, foam: OwnFoam) =>
    call<SavedFoam>('PUT', item('own-foams', foam.id), { baseVersion, foam }),
  removeOwnFoam: (id: string, baseVersion: number) =>
    call<undefined>('DELETE', item('own-foams', id, baseVersion)),
  keptParts: () => call<{ parts: KeptPart[] }>('GET', '/kept-parts').then((r) => r.parts),
  putKeptPart: (id: string, baseVersion: number, name: string, doc: BuildDoc) =>
    call<KeptPart>('PUT', item('kept-parts', id), { baseVersion, name, doc }),
  removeKeptPart: (id: string, baseVersion: number) =>
    call<undefined>('DELETE', item('kept-parts', id, baseVersion)),
  printers: () => call<{ printers: SavedPrinter[] }>('GET', '/printers').then((r) => r.printers),
  putPrinter: (baseVersion: number, printer: Printer) =>
    call<SavedPrinter>('PUT', item('printers', printer.id), { baseVersion, printer }),
  removePrinter: (id: string, baseVersion: number) =>
    call<undefined>('DELETE', item('printers', id, baseVersion)),
  wearers: () => call<{ wearers: SavedWearer[] }>('GET', '/wearers').then((r) => r.wearers),
  putWearer: (id: string, baseVersion: number, wearer: Wearer) =>
    call<SavedWearer>('PUT', item('wearers', id), { baseVersion, wearer }),
  removeWearer: (id: string, baseVersion: number) =>
    call<undefined>('DELETE', item('wearers', id, baseVersion)),
  stock: () => call<{ stock: SharedFoam[] }>('GET', '/stock').then((r) => r.stock),
  changeStock: (changes: readonly FoamChange[]) =>
    call<{ stock: SharedFoam[] }>('PUT', '/stock', { changes }).then((r) => r.stock),
};
