/** What came of one fault: how it was looked for, and whether it was found. */
export interface Row {
  system: string;
  fault: string;
  policy: 'advised' | 'half-splitting' | 'usual order' | 'pairs' | 'unsurveyed';
  steps: number;
  minutes: number;
  /** What is most likely is what is wrong, or is put right by the same work; and with a share of 0.9 at least. */
  isolated: boolean;
  /** A good part is named for replacement. */
  condemned: boolean;
  /** Bits about what is to be done that the complaint left and the steps took away, and those of the answers got. */
  bits?: { taken: number; answered: number };
  /** What is needed was on the list made over the telephone; `null` where nothing brought would do. */
  brought?: boolean | null;
}

/** What came of one fault of another hand. */
export interface OtherRow {
  system: string;
  kind: string;
  fault: string;
  policy: 'advised' | 'half-splitting';
  steps: number;
  minutes: number;
  /** It was sure enough of something. */
  settled: boolean;
  /** What it is sure of is work that puts it right. */
  isolated: boolean;
  /** Of what is likeliest at the end, and what that is. */
  share: number;
  says: string;
  /** A good part is named for replacement. */
  condemned: boolean;
}
