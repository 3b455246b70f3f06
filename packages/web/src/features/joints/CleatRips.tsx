/** Bevel rips that part a cleat's board into its halves. */
import { exactTextWithUnit, type CleatRip, type DisplayUnit, type Shop } from '@keen/core';

export function CleatRips({ cleats, shop, unit }: { readonly cleats: readonly CleatRip[]; readonly shop: Shop; readonly unit: DisplayUnit }) {
  if (cleats.length === 0) return null;
  const bySetting = new Map<string, CleatRip[]>();
  for (const cleat of cleats) {
    const key = cleat.setting?.key ?? 'none';
    bySetting.set(key, [...(bySetting.get(key) ?? []), cleat]);
  }
  return (
    <section className="cleat-rips">
      <h2>Cleats</h2>
      <ul>
        {[...bySetting].map(([key, [first, ...more]]) => {
          const { setting } = first!;
          const machine = setting && shop.machines[setting.machine];
          const count = 1 + more.length;
          return (
            <li key={key}>
              {count === 1 ? 'One board' : `${count} boards`}:{' '}
              {setting && machine
                ? `${machine.name}, blade ${setting.tilt!.deg}° from square (reads ${setting.tilt!.from90}° where square is 90), fence ${exactTextWithUnit(setting.distance!, unit)} to the long point. Both halves come from the one rip, so that they hook.`
                : 'no saw of this shop tilts so far.'}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
