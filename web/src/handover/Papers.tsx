import type { PaperDue } from '@hestian/core'
import { isSmall, papersOf } from '@hestian/core'
import styled from 'styled-components'
import { useDesign, useStanding } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Mark } from '../ui/icons'
import { phone } from '../ui/phone'
import { Paper } from './Paper'

/**
 * The pack as a set: which papers are due, what each still cannot say, each alone or all together.
 */
export function Papers() {
  const { solution, draft } = useDesign()
  const { judgement, state } = useStanding()
  const papers = papersOf(solution, judgement, state.records)
  return (
    <section aria-labelledby="papers-head">
      <SectionHead id="papers-head">
        The pack
        <small>{papers.filter(({ due }) => due).length} papers are due</small>
      </SectionHead>
      <ul>
        {papers.map((paper) => (
          <Row key={paper.id} data-due={paper.due || undefined}>
            <Mark kind={markOf(paper)} size={18} />
            <span>
              <b>{paper.name}</b>
              <small>{paper.lacks.length > 0 ? `${paper.lacks.join('. ')}.` : paper.because}</small>
            </span>
            {paper.due && (
              <Paper name={paper.name} path={`handover.pdf?papers=${paper.id}`} file={paper.id} />
            )}
          </Row>
        ))}
      </ul>
      <Files>
        <Paper name="The whole pack" path="handover.pdf" file="handover" />
        {isSmall(draft.document) && (
          <Paper name="Work record on one page" path="record.pdf" file="record" />
        )}
        {draft.document.handover.nextVisit !== null && (
          <a href={`/api/jobs/${state.id}/visits.ics`} download={`visits-${state.number}.ics`}>
            The visits for a calendar
          </a>
        )}
        <a href={`/api/jobs/${state.id}/export.zip`} download={`hestian-job-${state.number}.zip`}>
          The whole job with its photographs, ZIP
        </a>
        <a href={`/api/jobs/${state.id}/export`} download={`hestian-job-${state.number}.json`}>
          The job file alone, JSON
        </a>
        <a
          href={`/api/jobs/${state.id}/tables.zip`}
          download={`hestian-tables-${state.number}.zip`}
        >
          Its tables for a spreadsheet, CSV
        </a>
      </Files>
      <Prose>
        {state.frozen ? '' : 'Until it is signed every paper says draft. '}The job file holds
        revisions, records, samples and signatures, and is also attached to each paper of the pack;
        photographs and papers come with the ZIP, the JSON alone lists which it leaves out.
      </Prose>
    </section>
  )
}

const markOf = ({ due, lacks }: PaperDue) => {
  if (!due) return 'note'
  return lacks.length > 0 ? 'not-yet' : 'pass'
}

const Row = styled.li`
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  padding: 4px 0;
  border-bottom: 0.8px solid var(--hair);
  small {
    display: block;
    color: var(--ink-2);
    font-size: var(--small);
  }
  &:not([data-due]) b {
    font-weight: 450;
    color: var(--ink-2);
  }
`
const Files = styled.div`
  display: flex;
  gap: 6px 32px;
  flex-wrap: wrap;
  align-items: center;
  padding: 10px 0;
  a {
    color: var(--ember-ink);
    font-weight: 650;
    text-underline-offset: 3px;
    text-decoration-thickness: 2px;
    padding: 10px 0;
  }
  ${phone} {
    display: grid;
    gap: 2px;
  }
`
