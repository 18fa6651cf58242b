/** Shown by the layout around it. */
export default function PlanRoute() {
  return null;
}
