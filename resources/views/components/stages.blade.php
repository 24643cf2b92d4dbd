{{-- Chooses a stage of screening; nothing where there is only one. --}}
@props(['review', 'stage', 'to'])
@if ($review->stages->count() > 1)
    <nav class="section row small tabs" aria-label="Stage">
        @foreach ($review->stages as $one)
            <a href="{{ route($to, [$review, 'stage' => $one->id]) }}"
                @if ($one->id === $stage->id) aria-current="page" @endif>{{ $one->name }}</a>
        @endforeach
    </nav>
@endif
