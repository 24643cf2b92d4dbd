<!doctype html>
<html lang="en-GB">

    <head>
        <meta charset="utf-8">
        <meta name="viewport" content="width=device-width, initial-scale=1">
        <meta name="csrf-token" content="{{ csrf_token() }}">
        <title>{{ $title }}{{ $review ? " · {$review->title}" : '' }} · Wary Heron</title>
        <link rel="icon" href="/heron.svg" type="image/svg+xml">
        {{ $head ?? '' }}
        @vite(['resources/css/app.css', 'resources/js/app.js'])
    </head>

    <body>
        <a class="skip" href="#main">To the content</a>
        {{ $skip ?? '' }}
        <header class="bar" x-data="theme">
            <a class="bar-home" href="{{ route('home') }}" aria-label="Wary Heron, all reviews">
                <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
                    <path d="M3 20h16M9 20V12c0-4 5-3 5-7 0-2-1.5-3-3-3-1.2 0-2 .8-2 2l-6 1.500 6 .8" fill="none" stroke="currentColor"
                        stroke-width="1.5" stroke-linecap="round" />
                </svg>
                @unless ($review)
                    Wary Heron
                @endunless
            </a>
            @if ($review)
                <a class="bar-review" href="{{ route('question', $review) }}">{{ $review->title }}</a>
            @endif
            @if ($review?->closed_at)
                <span class="bar-demo" title="It is read, and nothing in it is changed. Its lead can open it again.">Closed</span>
            @endif
            @if (config('heron.demo'))
                <span class="bar-demo"
                    title="Everything in it is invented, and everybody may read its mail. Real work belongs into a copy of its own: heron up --for-work">Demo</span>
            @endif
            <span class="bar-space"></span>
            @auth
                <button type="button" class="bar-find" x-on:click="$dispatch('open-palette')"><span>Find a screen, record or action</span>
                    <kbd>Ctrl K</kbd></button>
                @if ($waterline && $waterline->waits > 0)
                    <a href="{{ route('home') }}"><span class="waits">{{ number_format($waterline->waits) }}</span> wait for you</a>
                @endif
            @endauth
            @auth @if ($notices > 0)
                <a href="{{ route('notices') }}"><span class="waits">{{ number_format($notices) }}</span>
                    {{ $notices === 1 ? 'notice' : 'notices' }}</a>
            @endif @endauth
            <button type="button" class="bar-button bar-wide" x-on:click="$dispatch('show-keys')">Keys</button>
            <button type="button" class="bar-button bar-wide" x-on:click="change">Light or dark</button>
            @auth
                <a class="bar-person" href="{{ route('account') }}">{{ $user->name }}</a>
                <form method="post" action="{{ route('sign-out') }}" data-signs-out>@csrf <button class="bar-button">Sign out</button></form>
            @endauth
        </header>
        @if ($waterline)
            <x-waterline :waterline="$waterline" :current="$stage" />
            @if ($places())
                <nav class="places" aria-label="Places in this area">
                    @foreach ($places() as $one)
                        <a href="{{ $one->url }}" @if ($one->name === $place) aria-current="page" @endif>{{ $one->label }}</a>
                    @endforeach
                </nav>
            @endif
        @endif
        @if (session('notice'))
            <p class="notice" role="status">{{ session('notice') }}</p>
        @endif
        @if (session('problem'))
            <p class="problem" role="alert">{{ session('problem') }}</p>
        @endif
        @foreach (session('problems', []) as $problem)
            <p class="problem" role="alert">{{ $problem['text'] }} <a href="{{ $problem['url'] }}">{{ $problem['link'] }}</a></p>
        @endforeach
        @auth
            <x-tasks :running="$tasksRunning" :review="$review?->id ?? ''" />
        @endauth
        <main id="main" tabindex="-1">
            {{ $slot }}
        </main>
        @auth
            <x-palette :screens="$screens()" :find="$review ? route('find', $review, false) : ''" />
        @endauth
        <x-keys />
        @if (session('typed_at'))
            <script type="application/json" id="typed-again">@json(['at' => session('typed_at'), 'values' => old()])</script>
        @endif
    </body>

</html>
