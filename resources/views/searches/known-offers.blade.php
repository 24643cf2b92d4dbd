@if ($failure !== '')
    <p class="small says-warn">
        {{ $failure }}</p>
@endif
@foreach ($lost as $block)
    <p class="small">“{{ $block['name'] ?: 'A concept' }}” loses it.</p>
    @if (($offers[$block['id']] ?? []) === [])
        <p class="small quiet">Nothing in its title, abstract or headings is of this concept.</p>
    @else
        <ul class="small">
            @foreach ($offers[$block['id']] as $one)
                <li class="mb-1">
                    @can('search', $review)
                        <button type="button" class="tag tag-button" data-block="{{ $block['id'] }}" data-text="{{ $one->text }}"
                            x-on:click="addOffered">Add {{ $one->text }}</button>
                    @else
                        <span class="tag">{{ $one->text }}</span>
                    @endcan <span class="quiet">{{ $one->why }}</span>
                </li>
            @endforeach
        </ul>
    @endif
@endforeach
