/** The report of the open job, made here: with what is not sent yet, with or without signal. */
import { useCallback } from 'react';
import { paperMarkdown } from '@zygostat/core/formats';
import type { Report } from '@zygostat/core/record';
import { NO_FIRM } from '@zygostat/core/record';
import { reportPaper } from '@zygostat/core/words';
import { useAppSelector } from '../../store';
import { theModel } from '../../model/model';
import { useOpenedJob } from '../job/OpenJob';
import { useRevisionQuery } from '../circuit/api';
import { useFirmQuery } from '../jobs/api';
import { usePhotos } from '../photos/usePhotos';
import { useReadings } from '../readings/useReadings';
import { useBuilding } from '../site/useBuilding';
import { useRecord } from './useRecord';

/** Gathers it as it stands now. */
export function useReport(): () => Promise<Report> {
  const { job, circuit } = useOpenedJob();
  const { entries } = useRecord(job.id);
  const { readings } = useReadings(job.id);
  const photographs = usePhotos(job.id);
  const { building } = useBuilding(job.siteId);
  const { data: firm = NO_FIRM } = useFirmQuery(undefined);
  const { data: first } = useRevisionQuery({ id: job.id, number: 1 });
  return useCallback(() => {
    const { id, name, site, address, notes, state, broughtBy } = job;
    return theModel().report({
      job: { id, name, site, address, notes, state, broughtBy },
      firm,
      found: first?.circuit ?? circuit,
      left: circuit,
      entries: entries.map((entry) => ({ link: null, ...entry })),
      readings: [...readings]
        .reverse()
        .map(({ createdAt, red, black, unit, expected, actual, verdict, situation }) => ({
          at: createdAt,
          ...{ red, black, unit, expected, actual, verdict, situation },
        })),
      photographs: photographs.map((one) => ({ id: one.id, station: one.station, at: one.createdAt })),
      building,
      written: new Date().toISOString(),
    });
  }, [job, circuit, entries, readings, photographs, building, first, firm]);
}

/** The report as Markdown, in the person's units and time zone. */
export function useReportText(): () => Promise<string> {
  const gather = useReport();
  const { temperature, length, gauge } = useAppSelector(({ settings }) => settings);
  return useCallback(async () => {
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    return paperMarkdown(
      reportPaper(await gather(), {
        zone,
        locale: navigator.language,
        units: { temperature, length, gauge },
      }),
    );
  }, [gather, temperature, length, gauge]);
}
