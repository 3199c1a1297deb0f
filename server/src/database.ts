import { chmodSync, existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { BuildEntity, LogEntity, PinEntity, RevisionEntity } from './entities/build';
import { DeviceEntity } from './entities/device';
import { PictureEntity } from './entities/picture';
import {
  KeptPartEntity,
  MeasurementEntity,
  OwnFoamEntity,
  PrinterEntity,
  SchemeEntity,
  StockEntity,
  WearerEntity,
} from './entities/shop';
import { First1764000000000 } from './migrations/first';
import { Devices1765000000000 } from './migrations/devices';
import { Digest1764300000000 } from './migrations/digest';
import { KeptParts1764800000000 } from './migrations/keptParts';
import { LogMore1764500000000 } from './migrations/logMore';
import { Pictures1764400000000 } from './migrations/pictures';
import { Offcuts1764700000000 } from './migrations/offcuts';
import { Printers1764600000000 } from './migrations/printers';
import { OwnFoams1765200000000 } from './migrations/ownFoams';
import { Schemes1765100000000 } from './migrations/schemes';
import { ShopVersions1764900000000 } from './migrations/shopVersions';
import { Sides1764100000000 } from './migrations/sides';
import { Weighed1764200000000 } from './migrations/weighed';

interface Pragmas {
  pragma: (text: string) => unknown;
}

/** Takes rights away that an older Fomrik left to others; a directory that is not ours stays as it is. */
function closeToOthers(dataDir: string): void {
  try {
    chmodSync(dataDir, 0o700);
    for (const end of ['', '-wal', '-shm']) {
      const file = join(dataDir, `fomrik.sqlite${end}`);
      if (existsSync(file)) chmodSync(file, 0o600);
    }
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') throw error;
  }
}

/** Opens (and migrates) the one database file in the data directory. */
export async function openDatabase(dataDir: string): Promise<DataSource> {
  // Measures and photographs of people: nobody else on this machine reads them.
  process.umask(0o077);
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  closeToOthers(dataDir);
  const source = new DataSource({
    type: 'better-sqlite3',
    database: join(dataDir, 'fomrik.sqlite'),
    entities: [
      BuildEntity,
      RevisionEntity,
      PinEntity,
      LogEntity,
      WearerEntity,
      MeasurementEntity,
      StockEntity,
      PictureEntity,
      PrinterEntity,
      KeptPartEntity,
      SchemeEntity,
      OwnFoamEntity,
      DeviceEntity,
    ],
    migrations: [
      First1764000000000,
      Sides1764100000000,
      Weighed1764200000000,
      Digest1764300000000,
      Pictures1764400000000,
      LogMore1764500000000,
      Printers1764600000000,
      Offcuts1764700000000,
      KeptParts1764800000000,
      ShopVersions1764900000000,
      Devices1765000000000,
      Schemes1765100000000,
      OwnFoams1765200000000,
    ],
    migrationsRun: true,
    synchronize: false,
    prepareDatabase: (db: Pragmas) => {
      // One server on one data directory: the lock is the system's own and goes with the process.
      db.pragma('locking_mode = EXCLUSIVE');
      db.pragma('journal_mode = WAL');
      db.pragma('synchronous = FULL');
      db.pragma('foreign_keys = ON');
    },
  });
  await source.initialize();
  await refuseNewer(source);
  return source;
}

/** A database that a newer Fomrik has migrated further. */
export class NewerDatabase extends Error {}

async function refuseNewer(source: DataSource): Promise<void> {
  const known = new Set(source.migrations.map((m) => m.name ?? m.constructor.name));
  const rows: { name: string }[] = await source.query('SELECT name FROM migrations');
  if (rows.every((r) => known.has(r.name))) return;
  await source.destroy();
  throw new NewerDatabase();
}
