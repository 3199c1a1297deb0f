import { expose } from 'comlink';
import { derive } from './derive';
import { files } from './files';
import { inside } from './inside';
import { ready } from './ready';
import { shared } from './shared';
import { wearer } from './wearer';

/** The whole of core in one script, fetched once: a thread of it works out the build, others search or plan beside it. */
expose({ ...derive, ...files, ...inside, ...ready, ...shared, ...wearer });
