{{-- The papers that were read closely, with what they answer. --}}
@if ($close->isNotEmpty() && $inUse->isNotEmpty())
    <div class="draft-table" tabindex="0" role="region" aria-label="What the papers answer">
        <table class="table">
            <thead>
                <tr>
                    <th scope="col">Paper</th>
                    @foreach ($inUse as $one)
                        <th scope="col">{{ $one->label }}</th>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                @foreach ($close as $paper)
                    <tr>
                        <th scope="row">{{ $paper->called() }}
                            <span class="small quiet">{{ $paper->getAttribute('read_copy') === null ? 'abstract' : 'in full' }}</span></th>
                        @foreach ($inUse as $one)
                            @php($lead = $leads[$paper->id][$one->id] ?? null)
                            <td>
                                @if ($lead === null)
                                    <span class="quiet">not read yet</span>
                                @elseif ($lead->value === '')
                                    <span class="quiet">–</span>
                                @else
                                    <details>
                                        <summary>{{ Str::limit($lead->value, 60) }} {{ $lead->unit }} <x-sureness :confidence="$lead->confidence" /></summary>
                                        <p class="serif small">“{{ Str::limit($lead->quote, 300) }}”</p>
                                        <p class="small quiet">{{ $lead->page === null ? 'title or abstract' : "page {$lead->page}" }}; {{ $lead->reason }}</p>
                                    </details>
                                @endif
                            </td>
                        @endforeach
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>
@endif
