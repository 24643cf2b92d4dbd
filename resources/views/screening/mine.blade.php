<x-page title="My decisions" :review="$review" :stage="$stage->purpose === \WaryHeron\Core\Screening\StagePurpose::FullText
    ? 'full-texts' : 'screening'" :place="$stage->purpose === \WaryHeron\Core\Screening\StagePurpose::FullText
    ? 'full-texts.read' : 'desk'">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>My last decisions</h1> <span>at “{{ $stage->name }}”; only you see this. <a
                        href="{{ route('desk', [$review, 'stage' => $stage->id]) }}">Back to the desk</a></span>
            </header>
            <p class="filter-words small">
                @foreach (['' => 'All', 'include' => 'Included', 'exclude' => 'Excluded', 'unsure' => 'Unsure'] as $one => $words)
                    <a class="mr-4"
                        href="{{ route('mine', [$review, 'stage' => $stage->id, ...$one === '' ? [] : ['verdict' => $one]]) }}"
                        @if ($verdict === $one) aria-current="true" @endif>{{ $words }} <span
                            class="number">{{ number_format($one === '' ? array_sum($counts) : $counts[$one] ?? 0) }}</span></a>
                @endforeach
            </p>
            @if ($decisions === [])
                <x-empty title="{{ $verdict === '' ? 'You have decided nothing at this stage yet' : 'None of yours is so' }}"><a
                        href="{{ route('desk', [$review, 'stage' => $stage->id]) }}">Go to the Reading Desk.</a></x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Yours</th>
                            <th scope="col">Title</th>
                            <th scope="col">Reason or note</th>
                            <th scope="col">When</th>
                            <th scope="col">Stands</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($decisions as $one)
                            <tr>
                                <td class="whitespace-nowrap"><x-mark :verdict="$one->verdict" /></td>
                                <td><a class="serif"
                                        href="{{ route('desk.show', [$review, $one->item, 'stage' => $stage->id]) }}">{{ $one->title }}</a><br><span
                                        class="small quiet">{{ strtok($one->authors, ';') }} {{ $one->year }}</span></td>
                                <td>{{ $one->reason }} @if ($one->note !== '')
                                        <span class="block small quiet">{{ $one->note }}</span>
                                    @endif
                                </td>
                                <td class="small number whitespace-nowrap">
                                    {{ \Carbon\CarbonImmutable::parse($one->at)->format('j M Y, H:i') }}</td>
                                <td class="small quiet">{{ $one->opened_at === null ? 'can be changed at the desk' : 'has opened' }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                @if (count($decisions) === \App\Queries\Screening\MyDecisions::MOST)
                    <p class="section small quiet">The last {{ \App\Queries\Screening\MyDecisions::MOST }}. All of them are in the library: filter by
                        “my decision”.</p>
                @endif
            @endif
        </section>
    </div>
</x-page>
