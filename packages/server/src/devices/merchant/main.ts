/** The stand-in as a process of its own; KEEN_MERCHANT_PORT says where it listens. */
import { startMerchantStandIn } from './stand-in.ts';

const port = Number(process.env['KEEN_MERCHANT_PORT']);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  throw new Error(`KEEN_MERCHANT_PORT must be a port from 1 to 65535, not '${process.env['KEEN_MERCHANT_PORT'] ?? ''}'`);
const server = await startMerchantStandIn(port);
process.on('disconnect', () => server.close(() => process.exit(0)));
process.on('SIGTERM', () => process.exit(0));
process.send?.('listening');
