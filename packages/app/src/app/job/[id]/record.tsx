/** Shown by the layout around it. */
export default function RecordRoute() {
  return null;
}
