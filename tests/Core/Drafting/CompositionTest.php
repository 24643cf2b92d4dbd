<?php

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Drafting\ProposedItem;
use WaryHeron\Core\Drafting\ProposedItems;
use WaryHeron\Core\Drafting\Text\Composition;
use WaryHeron\Core\Drafting\Text\CriterionTold;
use WaryHeron\Core\Drafting\Text\DraftFacts;
use WaryHeron\Core\Drafting\Text\DraftPaper;
use WaryHeron\Core\Drafting\Text\Paragraph;
use WaryHeron\Core\Drafting\Text\Section;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Asked\QuestionKind;
use WaryHeron\Core\Scouting\Reading\StudyKind;
use WaryHeron\Core\Scouting\Scout;

function draftPaper(string $id, ?Direction $says, string $sentence = '', Confidence $sure = Confidence::Firm): DraftPaper
{
    $sentence = $sentence === '' ? "Sleepiness in {$id} was compared." : $sentence;

    return new DraftPaper($id, "Author {$id}", StudyKind::Trial, $sentence, $id === 'c' ? 4 : null, $says, $sure, '1.2 points', '80');
}

/** @return array<string, Section> by key */
function composed(string|PlainQuestion $question, DraftPaper ...$papers): array
{
    $question = is_string($question) ? (new Scout())->question($question) : $question;
    $criteria = [new CriterionTold('Did it study “nurses”?', 3, 1, 0)];
    $facts = new DraftFacts($question, ['Alder' => 412], '3 May 2026', 50, 1, $criteria, ['Country'], 0, array_values($papers));

    return array_column(array_map(fn (Section $one): array => [$one->key, $one], (new Composition($facts))->sections()), 1, 0);
}

function wordsOf(Section $section): string
{
    return implode("\n", array_map(fn (Paragraph $one): string => $one->words(), $section->paragraphs));
}

const NAP_QUESTION = 'Does a planned nap reduce sleepiness in nurses?';

it('counts what papers say, each count a claim that rests on just those', function () {
    $sections = composed(
        NAP_QUESTION,
        draftPaper('a', Direction::Less),
        draftPaper('b', Direction::Less),
        draftPaper('c', Direction::NoDifference),
    );
    expect(wordsOf($sections['summary']))->toBe(
        'Of 3 papers with an answer on “sleepiness”, 2 report less of it and 1 reports no difference.',
    );
    foreach ($sections['summary']->paragraphs[0]->pieces as $piece) {
        expect(preg_match('/^(\d+) /', $piece->text, $count) !== 1 || count($piece->papers) === (int) $count[1])->toBeTrue();
    }
    expect(wordsOf($sections['found']))
        ->toContain("Less “sleepiness”\n2 trials.\nAuthor a (trial, 80 people): “Sleepiness in a was compared.” (abstract).")
        ->toContain('Author c (trial, 80 people): “Sleepiness in c was compared.” (page 4).');
});

it('says each thing of papers by their quotes: every paper that answers is quoted once where findings are told', function () {
    $papers = array_map(fn (int $n): DraftPaper => draftPaper("p{$n}", Direction::cases()[$n % 5]), range(1, 23));
    $sections = composed(NAP_QUESTION, ...$papers);
    $quoted = [];
    foreach ($sections['found']->paragraphs as $paragraph) {
        foreach ($paragraph->pieces as $piece) {
            if (str_starts_with($piece->text, '“')) {
                array_push($quoted, ...$piece->papers);
            }
        }
    }
    sort($quoted);
    expect($quoted)->toBe(array_values(collect($papers)->pluck('id')->sort(SORT_STRING)->all()))
        ->and($sections['summary']->papers())->toHaveCount(23);
});

it('names those that met the criteria and answered nothing, and says what it is not sure of', function () {
    $silent = new DraftPaper('s', 'Author s', StudyKind::Trial, '', null, null, Confidence::Check);
    $sections = composed(NAP_QUESTION, draftPaper('a', Direction::Less), $silent);
    expect(wordsOf($sections['found']))->toContain('1 paper met the criteria and reported no answer: Author s.')
        ->and(wordsOf($sections['sure']))->toContain('1 firmly, 0 fairly, and 1 so that a person has to look')
        ->and(wordsOf($sections['chose']))->toContain('Left out: 3. Not to be told: 1.')
        ->toContain('No person has confirmed or changed any of this yet.');
});

it('says so where nothing answers', function () {
    $sections = composed(NAP_QUESTION);
    expect(wordsOf($sections['summary']))->toBe('None of the papers that were read answers the question.')
        ->and(wordsOf($sections['found']))->toBe('No paper that meets the criteria reports an answer.')
        ->and(wordsOf($sections['short']))->toBe('Nothing is reported on the question.');
});

it('groups by outcome where a question has several, and by nothing where it asks for no direction', function () {
    $read = fn (string $text): PlainQuestion => (new Scout())->question($text);
    $outcomes = [
        ...$read('Does a nap reduce errors?')->of(ConceptRole::Outcome),
        ...$read('Does a nap reduce sleepiness?')->of(ConceptRole::Outcome),
    ];
    $two = composed(
        new PlainQuestion('Does a nap reduce errors or sleepiness?', QuestionKind::Effect, $outcomes),
        draftPaper('a', Direction::Less, 'Errors fell by 3%.'),
        draftPaper('b', Direction::Less, 'Sleepiness fell by 2 points.'),
    );
    $headings = array_filter($two['found']->paragraphs, fn (Paragraph $one): bool => $one->isHeading);
    expect(array_map(fn (Paragraph $one): string => $one->words(), array_values($headings)))->toBe(['Less “errors”', 'Less “sleepiness”']);

    $one = composed('Which instruments measure alarm fatigue in nurses?', draftPaper('a', null));
    expect(wordsOf($one['summary']))->toBe('1 paper reports something on “alarm fatigue”.');
});

it('asks of papers what fits the kind of question, each with instructions and a place in a codebook', function (QuestionKind $kind) {
    $items = ProposedItems::of($kind);
    $names = array_map(fn (ProposedItem $one): string => $one->name, $items);
    expect($names)->toContain('participants_enrolled')->and(array_unique($names))->toHaveCount(count($names));
    foreach ($items as $item) {
        expect($item->instructions)->not->toBe('')->and($item->asked()->id)->toBe($item->name)
            ->and($item->code()->type->hasOptions())->toBe($item->options !== []);
    }
})->with(QuestionKind::cases());
