{!! $strategy->name !!}, translation table, {{ now()->format('j M Y') }}
@foreach ($table->columns as $column)

{!! $column->name !!} ({!! $column->dialect !!})
@foreach ($table->rows as $row)
@php $cell = $row->cells[$column->key]; @endphp
{!! $cell->number ? "S{$cell->number}" : "#{$row->number}" !!}  {!! $cell->text === '' ? '–' : $cell->text !!}{!! $cell->count === null ? '' : '  ['.number_format($cell->count).']' !!}
@foreach ($cell->notes as $note)
      note: {!! $note !!}
@endforeach
@endforeach
@endforeach
