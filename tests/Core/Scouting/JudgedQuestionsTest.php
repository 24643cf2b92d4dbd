<?php

declare(strict_types=1);

use Bench\Judged\Gain;
use Bench\Judged\Judge;
use WaryHeron\Core\Scouting\Finding;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Scout;
use WaryHeron\Standins\Corpus\Study;
use WaryHeron\Standins\Corpus\StudyWriter;

/** @return list<array<string, mixed>> */
function judgedQuestions(): array
{
    return json_decode((string) file_get_contents(__DIR__.'/../../../bench/Judged/questions.json'), true, 512, JSON_THROW_ON_ERROR);
}

it('finds what answers among studies of all kinds, whose topics have nothing in common', function () {
    $writer = new StudyWriter('scouting');
    $studies = array_map($writer->study(...), range(1, 500));
    $records = array_map(fn (Study $one): ReadRecord => ReadRecord::of((string) $one->number, $one->title, $one->abstract), $studies);
    $scout = new Scout();
    $gains = [];
    foreach (judgedQuestions() as $asked) {
        $grades = [];
        foreach ($studies as $study) {
            $grades[$study->number] = Judge::grade($asked, $study);
        }
        if (count(array_filter($grades, fn (int $one): bool => $one > 1)) < 4) {
            continue; // too few to order
        }
        $found = $scout->findings($scout->question($asked['question']), $records);
        $gains[] = Gain::of(array_map(fn (Finding $one): int => (int) $one->id, array_slice($found, 0, 10)), $grades);
    }

    expect(count($gains))->toBeGreaterThan(5)
        ->and(Gain::means($gains)['ndcg_10'])->toBeGreaterThan(0.7);
});

it('weighs a word by how rare it is among many records, and not among few', function () {
    $scout = new Scout();
    $filler = array_map(
        fn (int $i): ReadRecord => ReadRecord::of("filler{$i}", 'Exercise of adults', 'We tested exercise in 40 adults. Pain was the same with exercise (p = 0.6).'),
        range(1, 200),
    );
    $rare = ReadRecord::of('rare', 'Marzipan exercise of adults', 'We tested marzipan exercise in 40 adults.');
    $first = fn (array $records): string => $scout->findings($scout->question('Does marzipan exercise relieve wrist trouble?'), $records)[0]->id;

    expect($first([...$filler, $rare]))->toBe('rare');
});

it('reads a short form in capitals as the records write it out', function () {
    $scout = new Scout();
    $lamps = fn (string $id, string $lamp): ReadRecord => ReadRecord::of($id, "{$lamp} lamps on wards", "We compared {$lamp} lamps with others in 60 nurses. Fatigue was lower with {$lamp} lamps (p = 0.01).");
    $found = $scout->findings($scout->question('Do LED lamps reduce fatigue in nurses?'), [$lamps('oil', 'oil'), $lamps('led', 'light-emitting diode')]);

    expect(array_map(fn (Finding $one): string => $one->id, $found))->toBe(['led', 'oil']);
});

it('has 60 different questions, each with what answers it', function () {
    $asked = judgedQuestions();
    expect($asked)->toHaveCount(60)
        ->and(array_unique(array_column($asked, 'question')))->toHaveCount(60);
});
