@php
    $leads = $page->standing->leads();
    $close = $page->papers('close');
    $items = $page->items();
    $inUse = $page->itemsInUse();
@endphp
<table class="table draft-criteria">
    <thead>
        <tr>
            <th scope="col">Asked of each paper</th>
            <th scope="col" class="number">Answered</th>
            <th scope="col"><span class="visually-hidden">What to do</span></th>
        </tr>
    </thead>
    <tbody>
        @forelse ($items as $one)
            @php($answered = count(array_filter($leads, fn(array $of): bool => ($of[$one->id]->value ?? '') !== '')))
            <tr @class(['draft-off' => !$one->is_on])>
                <td><strong>{{ $one->label }}</strong>
                    <p class="small">{{ $one->instructions ?: 'In the words of the paper.' }}
                        {{ $one->options === [] ? '' : 'One of: ' . implode(', ', $one->options) . '.' }}</p>
                    <p class="small quiet">{{ $one->changed_by === null ? 'proposed by machine' : 'changed by a person' }}
                        {{ $one->is_on ? '' : '· no longer asked' }}</p>
                </td>
                <td class="number">{{ $one->is_on ? "{$answered} of {$close->count()}" : '' }}</td>
                @include('drafting.part', [
                    'route' => 'drafts.item',
                    'off' => 'Ask no longer',
                    'on' => 'Ask again',
                    'isTaken' => $one->code_id !== null,
                    'taken' => 'in the codebook',
                ])
            </tr>
        @empty
            <tr>
                <td colspan="3" class="quiet">Nothing yet. What is asked is proposed for this kind of question when the draft begins.</td>
            </tr>
        @endforelse
    </tbody>
</table>
@if ($mayChange)
    <form method="post" action="{{ route('drafts.items', [$review, $draft]) }}" class="draft-line draft-add">@csrf
        <label for="label">Ask them something more</label>
        <input class="input" id="label" name="label" maxlength="300" required placeholder="such as: how bright was the light?">
        <button class="button">Ask</button>
    </form>
    @error('label')
        <p class="sheet-body says-warn" role="alert">{{ $message }}</p>
    @enderror
@endif
@include('drafting.table')
