/**
 * Why what was typed is not taken. It lies over the labels below while its field is in hand, so that nothing moves; left
 * alone, the field only says that it was not taken. `stays` keeps it in sight: what is wrong was typed elsewhere.
 */
export function FieldComplaint({ id, text, stays }: { id?: string; text: string; stays?: boolean }) {
  return (
    <>
      <span id={id} role="alert" className={stays ? 'complaint complaint-stays' : 'complaint'}>
        {text}
      </span>
      {!stays && (
        <span aria-hidden className="not-taken">
          not taken
        </span>
      )}
    </>
  )
}
