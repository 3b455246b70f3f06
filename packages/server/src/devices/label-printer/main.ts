/** The stand-in as a process of its own; KEEN_PRINTER_PORT says where it listens, KEEN_PRINTER_FOLDER where its labels come out. */
import { mkdirSync } from 'node:fs';
import { startLabelPrinterStandIn } from './stand-in.ts';

const port = Number(process.env['KEEN_PRINTER_PORT']);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  throw new Error(`KEEN_PRINTER_PORT must be a port from 1 to 65535, not '${process.env['KEEN_PRINTER_PORT'] ?? ''}'`);
const folder = process.env['KEEN_PRINTER_FOLDER'] ?? null;
if (folder) mkdirSync(folder, { recursive: true });
const { server } = await startLabelPrinterStandIn(port, folder);
process.on('disconnect', () => server.close(() => process.exit(0)));
process.on('SIGTERM', () => process.exit(0));
process.send?.('listening');
