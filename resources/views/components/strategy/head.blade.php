{{-- The name of a strategy and the ways to look at it. --}}
@props(['review', 'strategy', 'current'])
<header class="sheet-head">
    <h1>{{ $strategy->name }}</h1>
    {{ $slot }}
    <nav class="end tabs" aria-label="Ways to look at this strategy">
        @foreach (['show' => 'Board', 'lines' => 'Lines', 'translation' => 'Translation', 'known' => 'Known items',
            'check' => 'Check', 'versions' => 'Versions', 'runs' => 'Runs', 'standing' => 'By itself'] as $name => $label)
            <a href="{{ route("strategies.{$name}", [$review, $strategy]) }}"
                @if ($name === $current) aria-current="page" @endif>{{ $label }}</a>
        @endforeach
    </nav>
</header>
