import { footTypes, mountKinds } from '../../core/catalogue/mounts'
import { fieldRanges } from '../../core/vehicle/fieldRanges'
import { type Vehicle, vehicleFields } from '../../core/vehicle/vehicle'
import { ChoiceInput } from '../quantity/ChoiceInput'
import { TextInput } from '../quantity/TextInput'
import { Group } from '../stations/Group'
import { MountLines } from './MountLines'
import { Obstacles } from './Obstacles'
import { SourcedInput } from './SourcedInput'

type Change = (change: (vehicle: Vehicle) => Vehicle) => void

/** Every figure of a vehicle with how it is known; a value that nobody knows stays empty and counts as unknown everywhere. */
export function VehicleForm({ vehicle, onChange }: { vehicle: Vehicle; onChange: Change }) {
  const set = (patch: Partial<Vehicle>) => onChange((v) => ({ ...v, ...patch }))
  const groups = [...new Set(vehicleFields.map((f) => f.group))]
  return (
    <>
      <Group title="What it is">
        <TextInput
          label="Vehicle"
          value={vehicle.name}
          required="give the vehicle a name"
          maxLength={120}
          onChange={(name) => set({ name })}
        />
        <ChoiceInput
          label="Body"
          value={vehicle.body}
          options={(['van', 'pickup', 'camper', 'truck'] as const).map((value) => ({ value, label: value }))}
          onChange={(body) => set({ body })}
        />
        <TextInput label="Note" value={vehicle.note} multiline maxLength={500} onChange={(note) => set({ note })} />
      </Group>
      <FigureGroups vehicle={vehicle} onChange={onChange} groups={groups} />
      <MountLines vehicle={vehicle} onChange={onChange} />
      <Obstacles vehicle={vehicle} onChange={onChange} />
    </>
  )
}

function FigureGroups({ vehicle, onChange, groups }: { vehicle: Vehicle; onChange: Change; groups: string[] }) {
  return (
    <>
      {groups.map((group) => (
        <Group key={group} title={group}>
          {vehicleFields
            .filter((f) => f.group === group)
            .map((f) => (
              <SourcedInput
                key={f.key}
                label={f.label}
                dimension={f.dimension}
                range={fieldRanges[f.key]}
                value={vehicle[f.key]}
                onChange={(value) => onChange((v) => ({ ...v, [f.key]: value }))}
              />
            ))}
          {group === 'Ratings' && <FootRatingSays vehicle={vehicle} onChange={onChange} />}
        </Group>
      ))}
    </>
  )
}

/** What the vehicle may carry, what it weighs, and what was already on board. */
export const RatingsForm = ({ vehicle, onChange }: { vehicle: Vehicle; onChange: Change }) => (
  <FigureGroups vehicle={vehicle} onChange={onChange} groups={['Ratings', 'Masses']} />
)

/** Where feet may stand, and what is in the way. */
export const MountsForm = ({ vehicle, onChange }: { vehicle: Vehicle; onChange: Change }) => (
  <>
    <MountLines vehicle={vehicle} onChange={onChange} />
    <Obstacles vehicle={vehicle} onChange={onChange} />
  </>
)

/** What the maker's rating of a foot speaks of: it counts for that kind of foot only, and for standing loads or for any moment of the road. */
function FootRatingSays({ vehicle, onChange }: { vehicle: Vehicle; onChange: Change }) {
  return (
    <>
      <ChoiceInput
        label="The rating per foot is for"
        value={vehicle.footRatingKind}
        empty="the maker’s own places, where they are of one kind"
        options={mountKinds.map((value) => ({ value, label: footTypes[value].name }))}
        onChange={(footRatingKind) => onChange((v) => ({ ...v, footRatingKind }))}
        onEmpty={() => onChange((v) => ({ ...v, footRatingKind: null }))}
      />
      <ChoiceInput
        label="The rating per foot means"
        value={vehicle.footRatingMeans}
        empty="not asked: taken as the most at any moment"
        options={[
          { value: 'standing', label: 'what may stand on it, shocks allowed for' },
          { value: 'any moment', label: 'the most at any moment' },
        ]}
        onChange={(footRatingMeans) => onChange((v) => ({ ...v, footRatingMeans }))}
        onEmpty={() => onChange((v) => ({ ...v, footRatingMeans: null }))}
      />
    </>
  )
}
