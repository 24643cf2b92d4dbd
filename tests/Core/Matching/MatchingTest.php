<?php

use App\Files\In\ReferenceFile;
use Tests\Core\Matching\Prints;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Matching\Clusters;
use WaryHeron\Core\Matching\Comparator;
use WaryHeron\Core\Matching\Comparison;
use WaryHeron\Core\Matching\Conflict;
use WaryHeron\Core\Matching\Estimation;
use WaryHeron\Core\Matching\Field\JaroWinkler;
use WaryHeron\Core\Matching\Field\TitleText;
use WaryHeron\Core\Matching\Fingerprint;
use WaryHeron\Core\Matching\Fingerprints;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\Matcher;
use WaryHeron\Core\Matching\MatchField;
use WaryHeron\Core\Matching\MatchResult;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Matching\MatchVerdict;
use WaryHeron\Core\Matching\Weights;

function verdict(array $changes, array $of = []): MatchVerdict
{
    $prints = new Fingerprints();
    $comparison = (new Comparator())->compare($prints->of(Prints::article($of), 'a'), $prints->of(Prints::article($changes), 'b'));
    $judge = new Judge(Weights::starting(), new MatchSettings());

    return $judge->verdict($comparison, $judge->score($comparison));
}

/** @return array{list<Fingerprint>, array<string, string>} the sample's records and the publication each belongs to */
function sampled(): array
{
    static $sample = null;
    if ($sample !== null) {
        return $sample;
    }
    $prints = $work = [];
    $fingerprints = new Fingerprints();
    foreach (glob(__DIR__.'/sample/source_*') as $file) {
        $path = (string) tempnam(sys_get_temp_dir(), 'heron');
        file_put_contents($path, gzdecode((string) file_get_contents($file)));
        foreach ((new ReferenceFile($path, ReferenceFile::formatOf($path)))->records() as $one) {
            $prints[] = $fingerprints->of($one, $one->id);
        }
        unlink($path);
    }
    foreach (
        array_slice(
            explode("\n", trim((string) gzdecode((string) file_get_contents(__DIR__.'/sample/gold.csv.gz')))),
            1,
        ) as $line
    ) {
        [$key, $of] = explode(',', $line);
        $work[$key] = $of;
    }

    return $sample = [$prints, $work];
}

/** @return array{float, float} precision and recall by pairs */
function accuracy(array $groups, array $work): array
{
    $pairs = fn (int $n): int => intdiv($n * ($n - 1), 2);
    $right = $made = 0;
    foreach ($groups as $group) {
        $made += $pairs(count($group));
        $right += array_sum(
            array_map($pairs, array_count_values(array_map(fn (string $key): string => $work[$key], $group))),
        );
    }

    return [$right / $made, $right / array_sum(array_map($pairs, array_count_values($work)))];
}

it('finds what sources do to the same publication', function (array $changes) {
    expect(verdict($changes))->toBe(MatchVerdict::Certain);
})->with([
    'case and punctuation' => [
        ['title' => 'EFFECTS OF BRIGHT LIGHT EXPOSURE ON ALERTNESS IN NIGHT NURSES. A RANDOMISED TRIAL.'],
    ],
    'other spelling' => [
        ['title' => 'Effects of bright-light exposure on alertness in night nurses: a randomized trial'],
    ],
    'a slip' => [
        ['title' => 'Effcts of bright-light exposure on alertness in night nurses: a randomised trial', 'doi' => ''],
    ],
    'dropped subtitle' => [['title' => 'Effects of bright-light exposure on alertness in night nurses']],
    'bracketed title' => [
        ['title' => '[Effects of bright-light exposure on alertness in night nurses: a randomised trial].'],
    ],
    'translated title' => [
        [
            'title' => 'Effekte heller Beleuchtung',
            'extra' => [new SourceField('TT', 'Effects of bright-light exposure on alertness in night nurses: a randomised trial')],
        ],
    ],
    'markup' => [
        ['title' => 'Effects of <i>bright</i>-light exposure on alertness in night nurses&colon; a randomised trial'],
    ],
    'initials' => [
        ['authors' => [new Name('Okafor', 'I.N.'), new Name('Laar', 'J. van de'), new Name('Sorensen', 'A.')]],
    ],
    'a list cut short' => [['authors' => [new Name('Okafor', 'I.'), new Name('et al.')], 'doi' => '']],
    'no authors' => [['authors' => []]],
    'given and family names changed places' => [
        ['authors' => [new Name('Ines', 'Okafor'), new Name('Jan', 'Laar'), new Name('Ake', 'Sorensen')], 'doi' => ''],
    ],
    'abbreviated journal' => [['journal' => 'Ann. Nocturnal Med.', 'doi' => '']],
    'shortened pages' => [['firstPage' => '426-33', 'lastPage' => '', 'doi' => '']],
    'article number' => [['firstPage' => 'e104426', 'lastPage' => '']],
    'no DOI' => [['doi' => '']],
    'the DOI as an address' => [['doi' => '', 'urls' => ['https://doi.org/10.71111/ANM.12.3.426']]],
    'the DOI in a note' => [
        [
            'doi' => '',
            'volume' => '',
            'firstPage' => '',
            'lastPage' => '',
            'extra' => [new SourceField('N1', 'Available at doi:10.71111/anm.12.3.426')],
        ],
    ],
    'the year before' => [['year' => 2016]],
    'volume and issue changed places' => [['volume' => '3', 'issue' => '12']],
    'no place at all' => [['volume' => '', 'issue' => '', 'firstPage' => '', 'lastPage' => '', 'doi' => '']],
]);

it('keeps apart what must not be joined', function (array $changes, array $of = []) {
    expect(verdict($changes, $of))->not->toBe(MatchVerdict::Certain)->not->toBe(MatchVerdict::Likely);
})->with([
    'conference abstract and article' => [
        ['volume' => '11', 'issue' => 'Suppl 2', 'firstPage' => 'S88', 'lastPage' => '', 'doi' => '', 'year' => 2016],
    ],
    'conference abstract elsewhere' => [
        ['journal' => 'Night Work Letters', 'volume' => '4', 'firstPage' => 'A12', 'lastPage' => '', 'doi' => ''],
    ],
    'parts' => [
        [
            'title' => 'Lamps at night. Part II: sleep',
            'firstPage' => '434',
            'lastPage' => '440',
            'doi' => '10.71111/anm.12.3.434',
        ],
        ['title' => 'Lamps at night. Part I: alertness'],
    ],
    'parts without a place' => [
        [
            'title' => 'Lamps at night: second report',
            'volume' => '',
            'issue' => '',
            'firstPage' => '',
            'lastPage' => '',
            'doi' => '',
        ],
        ['title' => 'Lamps at night: first report'],
    ],
    'erratum' => [
        [
            'title' => 'Erratum to: Effects of bright-light exposure on alertness in night nurses: a randomised trial',
            'firstPage' => '',
            'lastPage' => '',
            'doi' => '',
        ],
    ],
    'reply' => [
        [
            'title' => 'Effects of bright-light exposure on alertness in night nurses: a randomised trial: reply',
            'firstPage' => '',
            'lastPage' => '',
            'doi' => '',
        ],
    ],
    'comment' => [
        [
            'title' => 'Comment on: Effects of bright-light exposure on alertness in night nurses: a randomised trial',
            'firstPage' => '',
            'lastPage' => '',
            'doi' => '',
        ],
    ],
    'yearly reports' => [
        ['title' => 'Tarvik night work register: annual report 2016', 'year' => 2016, 'volume' => '11', 'doi' => ''],
        ['title' => 'Tarvik night work register: annual report 2017'],
    ],
    'the same heading each month' => [
        ['title' => 'Editorial', 'issue' => '4', 'firstPage' => '601', 'lastPage' => '602', 'doi' => ''],
        ['title' => 'Editorial', 'doi' => ''],
    ],
    'twin study' => [
        [
            'title' => 'Effects of bright-light exposure on alertness in night porters: a randomised trial',
            'doi' => '',
            'firstPage' => '',
            'lastPage' => '',
        ],
    ],
    'opposite word' => [
        ['title' => 'Effects of hypothermia at night', 'doi' => '', 'firstPage' => '', 'lastPage' => ''],
        ['title' => 'Effects of hyperthermia at night'],
    ],
    'another number' => [
        [
            'title' => 'Effects of bright-light exposure on alertness in night nurses: a 24-month follow-up',
            'doi' => '',
            'firstPage' => '',
        ],
        ['title' => 'Effects of bright-light exposure on alertness in night nurses: a 12-month follow-up'],
    ],
    'update' => [
        [
            'title' => 'Effects of bright-light exposure on alertness in night nurses: an updated review',
            'year' => 2018,
            'volume' => '',
            'firstPage' => '',
            'lastPage' => '',
            'doi' => '',
        ],
    ],
    'years apart' => [['year' => 2012, 'doi' => '', 'volume' => '', 'firstPage' => '', 'lastPage' => '']],
]);

it('asks where the place is the same and the DOI is not', function () {
    expect(verdict(['doi' => '10.71999/other.1']))->toBe(MatchVerdict::Likely);
});

it('asks where one number alone stands against all the rest', function (array $changes, bool $asked) {
    expect(verdict($changes)->asks())->toBe($asked);
})->with([
    'a second DOI' => [['doi' => '10.71999/other.1', 'firstPage' => '', 'lastPage' => ''], true],
    'a page mistyped' => [['doi' => '', 'firstPage' => '526', 'lastPage' => '533'], true],
    'another volume' => [['doi' => '', 'volume' => '47'], true],
    'two numbers' => [['doi' => '', 'volume' => '13', 'firstPage' => '526', 'lastPage' => '533'], false],
    'another issue, too' => [['doi' => '', 'issue' => '4', 'firstPage' => '526', 'lastPage' => '533'], false],
    'other people, too' => [
        ['doi' => '', 'firstPage' => '526', 'lastPage' => '533', 'authors' => [new Name('Haas', 'M.')]],
        false,
    ],
]);

it('takes notices, parts and updates out of titles', function (
    string $title,
    string $kind,
    string $marks,
    string $text,
) {
    $read = TitleText::of($title);
    expect([$read->kind, $read->marks, $read->text])->toBe([$kind, $marks, $text]);
})->with([
    ['Lamps at night.', '', '', 'lamps at night'],
    ['Erratum to “Lamps at night” [J. Lamps 64 (2023) 510-526]', 'correction', '', 'lamps at night'],
    ['Lamps at night (vol 18, pg 1047, 2005)', 'correction', '', 'lamps at night'],
    ['Retraction notice: Lamps at night', 'retraction', '', 'lamps at night'],
    ['RETRACTED: Lamps at night', '', '', 'lamps at night'],
    ['Correction of refractive errors at night', '', '', 'correction of refractive errors at night'],
    ['Response to comments on Lamps at night', 'reply', '', 'lamps at night'],
    ['Response to treatment at night', '', '', 'response to treatment at night'],
    ['Lamps at night: authors’ reply', 'reply', '', 'lamps at night'],
    ['Lamps at night. II. Sleep', '', '', 'lamps at night ii sleep'],
    ['Lamps at night: third report', '', 'part 3', 'lamps at night 3rd report'],
    ['Lamps at night – an updated review', '', 'update', 'lamps at night an updated review'],
    ['TNF-α &amp; <sup>2</sup> lux', '', '', 'tnf alfa and 2 lux'],
    ['Twenty lamps', '', '', '20 lamps'],
]);

it('reaches its aims on the sample, in whatever order the records come', function () {
    [$prints, $work] = sampled();
    $result = (new Matcher())->match($prints);
    [$precision, $recall] = accuracy($result->groups(), $work);
    expect($precision)->toBeGreaterThanOrEqual(0.9995)->and($recall)->toBeGreaterThanOrEqual(0.95);
    [$precision, $recall] = accuracy($result->groupsWithLikely(), $work);
    expect($precision)->toBeGreaterThanOrEqual(0.9995)->and($recall)->toBeGreaterThanOrEqual(0.985);
    expect(count($result->recordsAsked()) / count($prints))->toBeLessThan(0.02);

    $shuffled = (new Random\Randomizer(new Random\Engine\Mt19937(5)))->shuffleArray($prints);
    $again = (new Matcher())->match($shuffled);
    expect($again->groups())->toBe($result->groups())->and(count($again->asked))->toBe(count($result->asked));
});

it('joins nothing wrongly in parts of the sample, where less is known of which titles come again', function (
    int $seed,
) {
    [$prints, $work] = sampled();
    $random = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    $part = array_values(array_filter($prints, fn (): bool => $random->getInt(0, 3) === 0));
    $result = (new Matcher())->match($part);
    expect(accuracy($result->groups(), $work)[0])
        ->toBe(1)
        ->and(accuracy($result->groupsWithLikely(), $work)[0])
        ->toBe(1);
})->with(range(1, 12));

it('never goes against a ruling', function (int $seed) {
    [$prints] = sampled();
    $random = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    $some = array_slice($random->shuffleArray($prints), 0, 700);
    $result = (new Matcher())->match($some);
    // rule against every third group, and for pairs of strangers
    $different = $same = [];
    foreach ($result->groups() as $i => $group) {
        if ($i % 3 === 0) {
            $different[] = [$group[0], $group[1]];
        }
    }
    $alone = array_values(
        array_diff(array_map(fn (Fingerprint $p): string => $p->key, $some), array_merge(...$result->groups())),
    );
    foreach (array_chunk(array_slice($alone, 0, 20), 2) as $pair) {
        $same[] = $pair;
    }
    $together = fn (MatchResult $result, array $pair): bool => array_filter(
        $result->groups(),
        fn (array $group): bool => in_array($pair[0], $group, true) && in_array($pair[1], $group, true),
    ) !== [];
    foreach (array_keys(MatchSettings::PRESETS) as $preset) {
        $ruled = (new Matcher(MatchSettings::preset($preset)))->match($some, $same, $different);
        foreach ($same as $pair) {
            expect($together($ruled, $pair))->toBeTrue();
        }
        foreach ($different as $pair) {
            expect($together($ruled, $pair))->toBeFalse();
        }
        // a record more changes none of it
        $more = (new Matcher(MatchSettings::preset($preset)))->match(
            [
                ...$some,
                $prints[
                    array_search(false, array_map(fn (Fingerprint $p): bool => in_array($p, $some, true), $prints), true)
                ],
            ],
            $same,
            $different,
        );
        foreach ($different as $pair) {
            expect($together($more, $pair))->toBeFalse();
        }
    }
})->with([1, 2]);

it('grows no group in which two contradict each other', function () {
    $clusters = new Clusters(fn (int $a, int $b): bool => abs($a - $b) === 2);
    expect($clusters->join(1, 2))
        ->toBeTrue()
        ->and($clusters->join(2, 3))
        ->toBeFalse()
        ->and($clusters->join(3, 4))
        ->toBeTrue()
        ->and($clusters->join(1, 4))
        ->toBeFalse()
        ->and($clusters->groups())
        ->toBe([[1, 2], [3, 4]])
        ->and($clusters->join(1, 3, true))
        ->toBeTrue()
        ->and($clusters->groups())
        ->toBe([[1, 2, 3, 4]]);
});

it('holds levels and conflicts in one number', function () {
    $levels = [7, 1, 0, 3, 4, 2, 1, 3, 2];
    $comparison = Comparison::ofLevels($levels, Conflict::Doi->value | Conflict::Genre->value);
    expect($comparison->levels())
        ->toBe($levels)
        ->and($comparison->has(Conflict::Doi))
        ->toBeTrue()
        ->and($comparison->has(Conflict::Pages))
        ->toBeFalse()
        ->and($comparison->has(Conflict::Genre))
        ->toBeTrue()
        ->and($comparison->without(MatchField::Title)->level(MatchField::Title))
        ->toBe(0)
        ->and($comparison->without(MatchField::Title)->level(MatchField::Abstract))
        ->toBe(2);
});

it('learns the weights that made the pairs', function () {
    $random = new Random\Randomizer(new Random\Engine\Mt19937(3));
    $truth = ['title' => [0.9, 0.02], 'doi' => [0.8, 0.001], 'pages' => [0.85, 0.05]];
    $patterns = [];
    for ($i = 0; $i < 60000; $i++) {
        $match = $i % 4 === 0 ? 0 : 1;
        $level = fn (string $field, int $else): int => $random->getInt(0, 99999) < 100000 * $truth[$field][$match]
            ? 1
            : $else;
        $pattern = Comparison::ofLevels(
            [$level('title', 7), 0, 0, 0, 0, 0, $level('pages', 3), $level('doi', 3)],
            0,
        )->pattern();
        $patterns[$pattern] = ($patterns[$pattern] ?? 0) + 1;
    }
    $learned = Estimation::weights($patterns, Weights::starting());
    expect($learned->chances['title'][1][0])
        ->toEqualWithDelta(0.9, 0.03)
        ->and($learned->chances['title'][1][1])
        ->toEqualWithDelta(0.02, 0.01)
        ->and($learned->chances['doi'][1][0])
        ->toEqualWithDelta(0.8, 0.03)
        ->and($learned->prior)
        ->toEqualWithDelta(log(1 / 3, 2), 0.15);
});

it('compares strings as Jaro and Winkler do', function (string $a, string $b, float $similarity) {
    expect(JaroWinkler::similarity($a, $b))
        ->toEqualWithDelta($similarity, 0.0005)
        ->and(JaroWinkler::similarity($b, $a))
        ->toEqualWithDelta($similarity, 0.0005);
})->with([
    ['martha', 'marhta', 0.9611],
    ['dwayne', 'duane', 0.84],
    ['dixon', 'dicksonx', 0.8133],
    ['', 'a', 0.0],
    ['abc', 'xyz', 0.0],
    ['same', 'same', 1.0],
]);
