import IconButton from '@mui/material/IconButton'

/** Takes one thing out of a list; says which. */
export const RemoveButton = ({ of, onClick }: { of: string; onClick: () => void }) => (
  <IconButton aria-label={`Remove ${of}`} onClick={onClick} sx={{ fontSize: 18 }}>
    ×
  </IconButton>
)
