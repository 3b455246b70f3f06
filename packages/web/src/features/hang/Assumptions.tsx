/** What the figures rest on: entered values, defaults, and assumptions without a source. Unfolded above people. */
import { ASSUMED, citationWords, groundOf, MATERIALS, screwById, SPECIES, STRUCTURES, type Assumed } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { selectDesign, selectPlan, type ShownCabinet } from '../project/selectors.ts';

export function Assumptions({ shown: { plan, spec } }: { readonly shown: ShownCabinet }) {
  const { wall } = useAppSelector(selectDesign);
  const { stockOf } = useAppSelector(selectPlan);
  const { hanging } = plan.cabinet;
  const cleat = MATERIALS[stockOf(plan.cabinet.byId.get(hanging.wallHalf)!.stock).product.material];
  const screw = screwById(hanging.wallScrew.screw);
  const ground = groundOf(wall);
  return (
    <details className="assumptions" open={spec.over !== 'nothing'}>
      <summary>What this rests on: {Object.keys(ASSUMED).length} chosen figures</summary>
      <h3>As entered, or by default</h3>
      <ul>
        <li>
          Wall: {STRUCTURES[wall.structure].name}
          {ground === 'timber' && `, studs of ${SPECIES[wall.studs.species].name} (G ${SPECIES[wall.studs.species].gravity})`}.
        </li>
        <li>
          Cleat: {cleat.name}, G {cleat.gravity}, bends to {cleat.bendingMPa} MPa for good; {citationWords(cleat.source)}.
        </li>
        <li>
          Wall screws: {screw.name}, root {screw.rootMm.toFixed(2)} mm, F_yb {Math.round(screw.yieldMPa)} MPa.
        </li>
        <li>Loads that stay: duration 0.9 on what screws hold. Dry, indoors.</li>
        <li>{spec.glue ? 'Joints are glued: the strongest of lip, glue or fasteners counts, never their sum.' : 'No glue is counted.'}</li>
      </ul>
      <h3>Not counted, on the safe side</h3>
      <p>Friction on the bevel, the back bearing on the wall half, wallboard as anything but a gap.</p>
      <h3>Chosen figures</h3>
      <table>
        <thead>
          <tr>
            <th scope="col">figure</th>
            <th scope="col">what it stands for</th>
            <th scope="col">where it is from</th>
          </tr>
        </thead>
        <tbody>
          {Object.entries<Assumed>(ASSUMED).map(([id, { value, unit, what, tag }]) => (
            <tr key={id}>
              <td>
                {Number(value.toPrecision(3))}
                {unit && ` ${unit}`}
              </td>
              <td>{what}</td>
              <td>{citationWords(tag)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet">Chosen on the safe side: a conservative number without a published source.</p>
    </details>
  );
}
