/** Shown by the layout around it. */
export default function SiteRoute() {
  return null;
}
