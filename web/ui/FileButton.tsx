import { useRef } from 'react'

type Props = {
  readonly label: string
  readonly text: string
  readonly accept: string
  /** The name of the file being read, and what is wrong with the last one. */
  readonly reading: string | null
  readonly wrong: string | null
  readonly onFile: (file: File) => void
  readonly onCancel: () => void
}

/** A button that asks for one file, says that it is being read, and why it was refused. */
export function FileButton({ label, text, accept, reading, wrong, onFile, onCancel }: Props) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        aria-label={label}
        onChange={(e) => {
          const file = e.target.files?.[0]
          e.target.value = ''
          if (file) onFile(file)
        }}
      />
      <button type="button" className="act" onClick={() => input.current?.click()}>
        {text}
      </button>
      {reading && (
        <p role="status">
          Reading {reading} …{' '}
          <button type="button" className="word" onClick={onCancel}>
            cancel
          </button>
        </p>
      )}
      {wrong && (
        <p role="alert" className="text-oxide!">
          {wrong}
        </p>
      )}
    </>
  )
}
