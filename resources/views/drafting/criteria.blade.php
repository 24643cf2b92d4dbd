@use('WaryHeron\Core\Drafting\CriterionKind')
@php($answers = $page->standing->answers())
<table class="table draft-criteria">
    <thead>
        <tr>
            <th scope="col">Criterion</th>
            <th scope="col" class="number">Yes</th>
            <th scope="col" class="number">No</th>
            <th scope="col" class="number">Unclear</th>
            <th scope="col"><span class="visually-hidden">What to do</span></th>
        </tr>
    </thead>
    <tbody>
        @forelse ($page->criteria() as $one)
            @php($of = $answers->get($one->id))
            <tr @class(['draft-off' => !$one->is_on])>
                <td>
                    <strong>{{ $one->asked()->asks() }}</strong>
                    <p class="small quiet">{{ $one->changed_by === null ? 'proposed by machine' : 'changed by a person' }}
                        {{ ($of->people ?? 0) > 0 ? "· {$of->people} " . Str::plural('answer', $of->people) . ' by people' : '' }}
                        {{ $one->is_on ? '' : '· switched off' }}</p>
                    @if ($mayChange && $one->kind->hasWords())
                        <details class="small">
                            <summary>Reword</summary>
                            <form method="post" action="{{ route('drafts.criterion', [$review, $draft, $one]) }}" class="draft-line">@csrf @method('put')
                                <label class="visually-hidden" for="words-{{ $one->id }}">What is looked for</label>
                                <input class="input" id="words-{{ $one->id }}" name="words" maxlength="300" value="{{ $one->words }}">
                                <button class="button">Answer anew</button>
                            </form>
                            <p class="quiet">Other words for the same after “or”. What people answered by the old words is asked again.</p>
                        </details>
                    @endif
                </td>
                @foreach (['yes', 'no', 'unclear'] as $answer)
                    <td class="number">
                        @if (($of->$answer ?? 0) > 0)
                            <a href="{{ $to('papers', ['criterion' => $one->id, 'answer' => $answer]) }}">{{ number_format($of->$answer) }}</a>
                        @else
                            0
                        @endif
                    </td>
                @endforeach
                @include('drafting.part', [
                    'route' => 'drafts.criterion',
                    'off' => 'Switch off',
                    'on' => 'Switch on',
                    'isTaken' => $one->criterion_id !== null,
                    'taken' => 'taken over',
                ])
            </tr>
        @empty
            <tr>
                <td colspan="5" class="quiet">None yet. They are proposed from the parts of the question when the draft begins.</td>
            </tr>
        @endforelse
    </tbody>
</table>
@if ($mayChange)
    <form method="post" action="{{ route('drafts.criteria', [$review, $draft]) }}" class="draft-line draft-add">@csrf
        <label for="kind">Add: does it</label>
        <select class="input" id="kind" name="kind">
            @foreach ([[CriterionKind::Named, 'concern'], [CriterionKind::People, 'study, of people,'], [CriterionKind::Outcome, 'report']] as [$kind, $name])
                <option value="{{ $kind->value }}">{{ $name }}</option>
            @endforeach
        </select>
        <label class="visually-hidden" for="words">what</label>
        <input class="input" id="words" name="words" maxlength="300" required placeholder="such as: intensive care">
        <button class="button">Add</button>
    </form>
    @error('words')
        <p class="sheet-body says-warn" role="alert">{{ $message }}</p>
    @enderror
@endif
