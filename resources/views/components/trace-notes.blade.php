{{-- In print, what each study of an analysis rests on, as notes to the plot. --}}
@props(['review', 'pooled', 'notes'])
<section class="print-only trace-notes" aria-label="Notes">
    <h2>Where the numbers come from</h2>
    <ol>
        @foreach ($pooled->rows as $row)
            <li><strong>{{ $row->label }}.</strong>
                @foreach ($notes->numbers($row, $pooled) as $number)
                    {{ $number }}
                @endforeach
                {{ $notes->found($row) }}</li>
        @endforeach
    </ol>
</section>
