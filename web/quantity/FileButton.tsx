import Button from '@mui/material/Button'
import { type ReactNode, useRef } from 'react'

/** A button that asks for one file. `named` is what the file is called for those who do not see the button. */
export function FileButton({
  named,
  accept,
  onFile,
  disabled,
  camera,
  children,
}: {
  named: string
  accept: string
  onFile: (file: File) => void
  disabled?: boolean
  camera?: boolean
  children: ReactNode
}) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        capture={camera ? 'environment' : undefined}
        hidden
        aria-label={named}
        onChange={(e) => {
          const file = e.target.files?.[0]
          // the same file may be chosen again after it was put right
          e.target.value = ''
          if (file) onFile(file)
        }}
      />
      <Button variant="outlined" onClick={() => input.current?.click()} disabled={disabled} sx={{ minHeight: 40 }}>
        {children}
      </Button>
    </>
  )
}
