/** A project without a cabinet: says how to begin. */
export function EmptyProject() {
  return (
    <div className="empty">
      <h1>No cabinet on this wall yet</h1>
      <p>Open the list at the top left and choose “Add a cabinet”. It starts as a sound box with a cleat, and everything about it can be changed.</p>
    </div>
  );
}
