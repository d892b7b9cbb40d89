import Autocomplete from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import { useWho } from '../../shell/who'

/** Whose name stands under what is ticked at this device: one of the shop's people, or anybody. */
export function WhoIsHere({ people }: { people: string[] }) {
  const { who, setWho } = useWho()
  return (
    <Box sx={{ width: 200 }}>
      <Autocomplete
        freeSolo
        options={people}
        inputValue={who}
        onInputChange={(_, name) => setWho(name.slice(0, 80))}
        renderInput={(params) => <TextField {...params} label="Who works here" />}
      />
    </Box>
  )
}
