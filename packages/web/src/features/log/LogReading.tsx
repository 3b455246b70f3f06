/** Reading pane at Log: what the log is for, and how to withdraw an entry. */
export function LogReading() {
  return (
    <div className="reading">
      <h2>The log</h2>
      <p>
        What was measured, sawn, made and ticked comes here by itself, from the desk and from every phone. Nothing is changed afterwards: what was wrong is
        taken back, and both stay to be read.
      </p>
      <p className="quiet">Pick a part anywhere to see its entries alone; a note is then kept with it.</p>
    </div>
  );
}
