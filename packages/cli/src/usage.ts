/** Usage of each command, shown with `--help` and after an unknown command. */
export const EXPORT_USAGE =
  'keen export FILE parts-dxf|sheets-dxf|svg|glb|stl|shopping|shopping-csv|contents|prices|days|bundle [--unit ID] [--photos FOLDER] [--out PATH]';
export const PRINT_USAGE =
  'keen print FILE set|sticks|templates|wedges [--unit ID] [--part MARK,…] [--paper a4|a3|letter|tabloid] [--units in|mm] [--bar-along MM] [--bar-up MM] [--out PATH]';
export const VALIDATE_USAGE = 'keen validate FILE';
export const CONVERT_USAGE = 'keen convert FILE [--out PATH]';
export const IMPORT_USAGE = 'keen import FILE TABLE|DRAWING [--as contents|parts|prices] [--out PATH]';

export const USAGE = [
  'keen plan FILE',
  'keen cutlist FILE',
  EXPORT_USAGE,
  PRINT_USAGE,
  VALIDATE_USAGE,
  CONVERT_USAGE,
  IMPORT_USAGE,
  'keen nest PROBLEM [--seconds S] [--seed N] [--effort E]',
  'keen sum NAME key=value …',
  'keen sum list',
  'keen schema',
].join(' | ');
