/** Shown by the layout around it. */
export default function SurveyRoute() {
  return null;
}
