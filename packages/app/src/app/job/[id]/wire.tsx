/** Shown by the layout around it. */
export default function WireRoute() {
  return null;
}
