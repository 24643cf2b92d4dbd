<x-page title="PDFs to assign" :review="$review" stage="full-texts" place="full-texts.unassigned">
    <div class="desk" @if ($files->contains(fn($file) => $file->state === 'reading')) data-reload-when-done @endif>
        <section class="sheet">
            <header class="sheet-head">
                <h1>PDFs to assign</h1>
                <span>{{ $all === 0 ? 'none wait' : number_format($all) . ' of which it is not sure what they are copies of' }}</span>
                @can('obtain', $review)
                    @if ($pictured > 1)
                        <form method="post" action="{{ route('full-texts.pictures.all', $review) }}" class="end">@csrf <button class="button">Read the
                                pictures of all {{ $pictured }} scanned ones</button></form>
                    @endif
                @endcan
            </header>
            @if ($files->isEmpty())
                <x-empty title="Every PDF is assigned">Drop more of them on <a href="{{ route('full-texts', $review) }}">Texts sought</a>;
                    those of which it is not sure what they are come here.</x-empty>
            @endif
            @foreach ($files as $file)
                <div class="section unassigned" id="file-{{ $file->id }}">
                    <div>
                        <h2><a href="{{ route('full-texts.file', [$review, $file]) }}">{{ $file->name }}</a></h2>
                        <p class="small quiet">
                            {{ $file->pages === null ? ($file->state === 'reading' ? 'being read'
                                : 'no pages that can be read') : ($file->pages === 1 ? '1 page'
                                : "{$file->pages} pages") }}
                            · {{ number_format($file->bytes / 1024) }} KB · {{ $file->user->name }},
                            {{ $file->created_at->format('j M Y') }}</p>
                        @if ($file->state === 'read')
                            <p class="serif mt-1 unassigned-text">
                                {{ Str::limit((string) preg_replace('/\s+/u', ' ', mb_substr($file->text, 0, 1200)), 420) }}</p>
                        @elseif ($file->trouble() !== '')
                            <p class="small mt-1"><strong>{{ $file->trouble() }}</strong></p>
                        @endif
                        @can('obtain', $review)
                            @if ($file->mayReadPictures())
                                <form method="post" action="{{ route('full-texts.pictures', [$review, $file]) }}" class="mt-1">@csrf <button
                                        class="button">Read its pictures</button></form>
                            @endif
                        @endcan
                        @if ($file->read_hash !== null)
                            <p class="small mt-1 quiet">Its words were read in its pictures: <a
                                    href="{{ route('full-texts.file', [$review, $file, 'as' => 'brought']) }}">the file as it was brought</a></p>
                        @endif
                    </div>
                    <div>
                        @can('obtain', $review)
                            @foreach ($file->offers as $offer)
                                @php($one = $titles[$offer['publication']] ?? null)
                                @if ($one)
                                    <form method="post" action="{{ route('full-texts.assign', [$review, $file]) }}" class="mb-2">@csrf
                                        <input type="hidden" name="publication" value="{{ $one->id }}">
                                        <p><strong>{{ $one->title }}</strong></p>
                                        <p class="small quiet">{{ Str::before($one->authors, ';') }} · {{ $one->journal }} ·
                                            {{ $one->year }}</p>
                                        <p class="small"><span class="confidence">{{ $offer['confidence'] }}</span> {{ $offer['because'] }}
                                        </p>
                                        <button class="button mt-1">It is a copy of this<span class="visually-hidden">:
                                                {{ $one->title }}</span></button>
                                    </form>
                                @endif
                            @endforeach
                            <form method="get" class="line-up"
                                action="{{ route('full-texts.unassigned', $review) }}#file-{{ $file->id }}"><input type="hidden"
                                    name="file" value="{{ $file->id }}">
                                <label>{{ $file->offers === [] ? 'What is it?' : 'Another one' }} <input class="input" name="words"
                                        value="{{ $asking === $file->id ? $words : '' }}" placeholder="title, author or DOI"></label><button
                                    class="button">Find</button>
                            </form>
                            @if ($asking === $file->id && $words !== '')
                                @if ($found === [])
                                    <p class="small mt-1" role="status">None of the texts sought matches “{{ $words }}”.</p>
                                @endif
                                <ul class="mt-1">
                                    @foreach (array_slice($found, 0, 8) as $one)
                                        <li class="mt-1">
                                            <form method="post" action="{{ route('full-texts.assign', [$review, $file]) }}" class="line-up">
                                                @csrf <input type="hidden" name="publication" value="{{ $one->id }}"><span
                                                    class="small"><bdi>{{ $one->title }}</bdi> <span class="quiet">{{ $one->meta }}</span></span>
                                                <button class="button">This one<span class="visually-hidden">:
                                                        {{ $one->title }}</span></button></form>
                                        </li>
                                    @endforeach
                                </ul>
                            @endif
                            <form method="post" action="{{ route('full-texts.take-out', [$review, $file]) }}" class="mt-2">@csrf <button
                                    class="button button-plain">A copy of nothing here: remove it</button></form>
                        @endcan
                    </div>
                </div>
            @endforeach
        </section>
    </div>
</x-page>
