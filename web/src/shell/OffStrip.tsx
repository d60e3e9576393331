import type { OffItem } from '@hestian/core'
import { isBackBefore, leftOf, offWords } from '@hestian/core'
import { useState } from 'react'
import { Button as AriaButton, Heading } from 'react-aria-components'
import styled from 'styled-components'
import { useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { dayOf } from '../ui/dates'
import { PlantSymbol } from '../ui/icons'
import { late } from '../ui/late'
import { Window } from '../ui/lateEditor'
import { phone } from '../ui/phone'

const AddOff = late(async () => (await import('./AddOff')).AddOff)

/**
 * The last band of every job screen: what is off on site, until it is put back by name. Never
 * hidden, never dismissed.
 */
export function OffStrip({ working }: { readonly working: boolean }) {
  const { judgement } = useStanding()
  const { off } = judgement
  const most = working ? 3 : 4
  const shown = off.slice(0, off.length > most ? most - 1 : most)
  const more = off.length - shown.length
  if (off.length === 0)
    return (
      <Strip data-empty aria-label="Off on site">
        <b>Nothing is off on site</b>
        <OffList more={0} />
      </Strip>
    )
  return (
    <Strip data-working={working || undefined} aria-label="Off on site">
      <Count>
        {off.length === 1 ? '1 thing is off on site' : `${off.length} things are off on site`}
        {working && <small>Each goes back before its step.</small>}
      </Count>
      <Tags tabIndex={0} aria-label="Tags">
        {shown.map((item) => (
          <Tag key={item.id} item={item} working={working} />
        ))}
      </Tags>
      <OffList more={more} />
    </Strip>
  )
}

function Tag({ item, working }: { readonly item: OffItem; readonly working: boolean }) {
  return (
    <TagFrame data-working={working || undefined}>
      <Hole aria-hidden />
      <PlantSymbol state={item.body.state} />
      <span>
        <b>{item.body.name}</b>{' '}
        <em>
          {offWords[item.body.state]}
          {working ? '' : `, ${dayOf(item.at)}`}
        </em>
        {working && (
          <small>
            {dayOf(item.at)}, {item.body.where}
          </small>
        )}
      </span>
      {working && <PutBack item={item} />}
    </TagFrame>
  )
}

function PutBack({ item }: { readonly item: OffItem }) {
  const { judgement } = useStanding()
  const { perform } = useJobActions()
  const { sequences } = judgement.work.plant
  const left = leftOf(sequences, item.body.stepId)?.left
  const before = judgement.work.sequences
    .flatMap(({ steps }) => steps)
    .find(({ step }) => isBackBefore(step, left?.backBefore ?? item.body.backBefore))
  return (
    <TearOff>
      <AriaButton
        onPress={() => perform({ do: 'put-back', offId: item.id }, `Put back: ${item.body.name}`)}
        aria-label={`Put back: ${item.body.name}`}
      >
        Put back
      </AriaButton>
      {before && (
        <small>
          {left?.waits ? 'in' : 'before'} step {before.number}
        </small>
      )}
    </TearOff>
  )
}

function OffList({ more }: { readonly more: number }) {
  const { judgement } = useStanding()
  const { nameOf, dates } = useReadBy()
  const [isOpen, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <ListButton aria-haspopup="dialog" aria-expanded={isOpen} onPress={() => setOpen(true)}>
        {more > 0 ? `and ${more} more` : 'Off list'}
      </ListButton>
      {isOpen && (
        <Sheet isAtFoot onClose={close}>
          <Heading slot="title">Off on site</Heading>
          <ul>
            {judgement.off.map((item) => (
              <li key={item.id}>
                <PlantSymbol state={item.body.state} />
                <div>
                  <b>{item.body.name}</b> {offWords[item.body.state]}
                  <br />
                  <small>
                    {item.body.because}; {item.body.where}; {nameOf(item.by)},{' '}
                    {dates.dayOf(item.at)}
                  </small>
                </div>
                <PutBack item={item} />
              </li>
            ))}
          </ul>
          <AddOff />
          <AriaButton onPress={close}>Close</AriaButton>
        </Sheet>
      )}
    </>
  )
}

const Strip = styled.footer`
  grid-area: strip;
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 56px;
  padding: 6px 20px;
  background: var(--off-bg);
  color: var(--off-fg);
  overflow: hidden;
  > b {
    font: 650 var(--lead)/20px var(--head);
  }
  &[data-empty] {
    min-height: 40px;
    justify-content: space-between;
    > b {
      font-weight: 450;
      color: var(--off-2);
    }
  }
  &[data-working] {
    min-height: 116px;
  }
  button {
    background: none;
    border: 0;
    color: inherit;
    cursor: pointer;
  }
  *:focus-visible,
  [data-focus-visible] {
    outline-color: var(--off-fg);
  }
  ${phone} {
    flex-wrap: wrap;
    gap: 4px 12px;
    padding: 8px 12px;
    justify-content: space-between;
    max-height: 33vh;
    overflow: auto;
  }
`
const Count = styled.div`
  font: 650 var(--large)/22px var(--head);
  flex: none;
  max-width: 190px;
  small {
    display: block;
    font: 400 var(--note)/18px var(--text);
    color: var(--off-2);
    margin-top: 6px;
  }
  ${phone} {
    max-width: none;
    small {
      display: none;
    }
  }
`
const Tags = styled.ul`
  display: flex;
  gap: 12px;
  flex: 1;
  min-width: 0;
  overflow: hidden;
  ${phone} {
    order: 3;
    flex-basis: 100%;
    gap: 8px;
    overflow-x: auto;
  }
`
const TagFrame = styled.li`
  display: flex;
  align-items: center;
  gap: 10px;
  background: var(--tag);
  color: var(--tag-ink);
  padding: 6px 14px 6px 12px;
  min-width: 0;
  clip-path: polygon(14px 0, 100% 0, 100% 100%, 14px 100%, 0 calc(100% - 14px), 0 14px);
  svg {
    flex: none;
  }
  b {
    font: 650 var(--lead)/20px var(--head);
  }
  em {
    font-style: normal;
    color: var(--tag-2);
    font-size: var(--small);
    white-space: nowrap;
  }
  small {
    display: block;
    font-size: var(--note);
    line-height: 18px;
    color: var(--tag-2);
  }
  span {
    min-width: 0;
  }
  &[data-working] {
    align-items: stretch;
    padding: 10px 0 10px 12px;
    flex: 1 1 0;
    svg,
    i {
      align-self: center;
    }
    span {
      flex: 1;
    }
    em {
      display: block;
      color: var(--tag-ink);
      font-weight: 650;
    }
  }
  button {
    color: var(--tag-ink);
  }
  *:focus-visible,
  [data-focus-visible] {
    outline-color: var(--tag-ink);
    outline-offset: -3px;
  }
  ${phone} {
    flex: 0 0 auto;
    &[data-working] {
      flex: 0 0 auto;
      padding: 8px 0 8px 10px;
      small {
        display: none;
      }
    }
  }
`
const Hole = styled.i`
  flex: none;
  width: 10px;
  height: 10px;
  border-radius: 50%;
  background: var(--off-bg);
`
const TearOff = styled.div`
  border-left: 1.5px dashed var(--tag-2);
  padding: 0 12px;
  display: grid;
  align-content: center;
  text-align: center;
  flex: none;
  button {
    min-height: 48px;
    font: 650 var(--plain)/20px var(--head);
    text-decoration: underline;
    text-decoration-thickness: 2px;
    text-underline-offset: 3px;
    white-space: nowrap;
  }
`
const ListButton = styled(AriaButton)`
  font: 650 var(--plain)/20px var(--head);
  text-decoration: underline;
  text-underline-offset: 3px;
  min-height: 44px;
  flex: none;
`
const Sheet = styled(Window)`
  --ink: var(--tag-ink);
  --ink-2: var(--tag-2);
  background: var(--tag);
  color: var(--tag-ink);
  width: min(640px, 100vw);
  padding: 20px 24px;
  h2 {
    font: 650 var(--head-3)/24px var(--head);
    border-bottom: 1.5px solid var(--tag-ink);
    padding-bottom: 8px;
  }
  li {
    display: flex;
    gap: 14px;
    align-items: center;
    padding: 10px 0;
    border-bottom: 0.8px solid var(--tag-2);
    div:first-of-type {
      flex: 1;
    }
    small {
      color: var(--tag-2);
      font-size: var(--note);
    }
  }
  button {
    background: none;
    border: 0;
    min-height: 48px;
    cursor: pointer;
    text-decoration: underline;
    font: 650 var(--plain)/20px var(--head);
    color: inherit;
  }
`
