// Nothing here changes under a pointer that only passes; every button would listen for it three times over.
export default function useHover() {}
