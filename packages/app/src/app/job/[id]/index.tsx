/** Shown by the layout around it. */
export default function TraceRoute() {
  return null;
}
