/** The stand-in as a process of its own; KEEN_SCALE_PORT says where it listens. */
import { startScaleStandIn } from './stand-in.ts';

const port = Number(process.env['KEEN_SCALE_PORT']);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  throw new Error(`KEEN_SCALE_PORT must be a port from 1 to 65535, not '${process.env['KEEN_SCALE_PORT'] ?? ''}'`);
const server = await startScaleStandIn(port);
process.on('disconnect', () => server.close(() => process.exit(0)));
process.on('SIGTERM', () => process.exit(0));
process.send?.('listening');
