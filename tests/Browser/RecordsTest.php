<?php

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/** The same studies as five sources tell them. */
function told(string $source, int $study): Reference
{
    $subjects = [
        'Bright lamps',
        'Scheduled naps',
        'Dark goggles',
        'Caffeine timing',
        'Split breaks',
        'Music playlists',
    ];
    $title = "{$subjects[$study]} and alertness of night nurses: a randomised trial";
    $plain = [
        'title' => $title,
        'authors' => [new Name('Okafor', 'Ines'), new Name('Haas', 'Mirela')],
        'year' => 2015 + $study,
        'journal' => 'Annals of Nocturnal Medicine',
        'volume' => (string) (10 + $study),
        'issue' => '2',
        'firstPage' => (string) (100 * $study + 11),
        'lastPage' => (string) (100 * $study + 19),
        'doi' => "10.71111/anm.{$study}",
        'abstract' => "Study {$study} was long. It was dark outside.",
    ];
    $change = match ($source) {
        'ris' => [],
        'nbib' => ['authors' => [new Name('Okafor', 'I'), new Name('Haas', 'M')], 'title' => "{$title}."],
        'bibtex' => ['title' => mb_strtoupper($title), 'doi' => '', 'abstract' => ''],
        // told with another DOI: a question for people
        'csl-json' => ['doi' => "10.79999/elsewhere.{$study}", 'abstract' => ''],
        // without a place
        default => [
            'doi' => '',
            'volume' => '',
            'issue' => '',
            'firstPage' => '',
            'lastPage' => '',
            'abstract' => '',
            'journal' => 'Ann. Nocturnal Med.',
        ],
    };

    return new Reference(...['type' => PublicationType::Article, 'id' => "{$source}{$study}", ...$plain, ...$change]);
}

it(
    'takes five files in, says what a table holds, mends a record, joins what is certain, judges the rest by keyboard, and keeps decisions when a duplicate comes late',
    function () {
        Server::fresh();
        foreach (['Mirela Haas' => 'mirela', 'Karin Sollander' => 'karin'] as $name => $mail) {
            Server::addPerson($name, "{$mail}@heron.example");
        }
        $mirela = Browser::open()->signIn('mirela@heron.example', 'a long password');
        $mirela
            ->press('Start a review')
            ->fill('Short title', 'Night nurses')
            ->fill('Question', 'What keeps them awake?')
            ->press('Start the review');
        $mirela
            ->press('Team')
            ->fill('E-mail address', 'karin@heron.example')
            ->press('Send the invitation')
            ->sees('An invitation is on its way');

        // five files at once; the RIS holds one that nothing tells, the table names its columns in its own way
        $folder = sys_get_temp_dir().'/heron-drop-'.getmypid();
        mkdir($folder);
        $files = [];
        foreach (
            ['ris' => range(0, 5), 'nbib' => range(0, 5), 'bibtex' => range(0, 3), 'csl-json' => [4, 5]] as $format => $studies
        ) {
            $text = implode('', [
                ...Formats::writers()[$format]->write(
                    array_map(fn (int $study): Reference => told($format, $study), $studies),
                ),
            ]);
            file_put_contents(
                $files[] = "{$folder}/{$format}.txt",
                $format === 'ris' ? $text."TY  - JOUR\nPY  - 2001\nER  - \n" : $text,
            );
        }
        $table =
            "Study;Who wrote it;When;Where\n".
            implode(
                "\n",
                array_map(
                    fn (int $study): string => implode(';', [
                        '"'.told('csv', $study)->title.'"',
                        '"Okafor, Ines; Haas, Mirela"',
                        told('csv', $study)->year,
                        'Ann. Nocturnal Med.',
                    ]),
                    [0, 1],
                ),
            ).
            "\n";
        file_put_contents($files[] = "{$folder}/ward list.csv", $table);
        $mirela
            ->press('Records')
            ->press('Deliveries')
            ->attach('Drop files', ...$files)
            ->fill('Source', 'All sources')
            ->press('Deliver')
            ->sees('waits for its columns');
        $mirela->until(
            fn (): bool => (int) Server::rows("SELECT count(*) AS n FROM deliveries WHERE state = 'done'")[0]['n'] === 4,
            'Not all files were read',
        );

        $mirela->visit(
            Server::rows(
                "SELECT '/reviews/' || review_id || '/deliveries/' || id AS path FROM deliveries WHERE state = 'mapping'",
            )[0]['path'],
        );
        $mirela
            ->sees('What do the columns hold?')
            ->choose('Study', 'title')
            ->choose('Who wrote it', 'authors')
            ->choose('When', 'year')
            ->choose('Where', 'journal')
            ->press('Read the table');
        $mirela->until(
            fn (): bool => Server::rows("SELECT state FROM deliveries WHERE file_name LIKE 'ward%'")[0]['state'] ===
                'done',
            'The table was not read',
        );

        $mirela->visit(
            Server::rows(
                "SELECT '/reviews/' || review_id || '/deliveries/' || id AS path FROM deliveries WHERE rejected = 1",
            )[0]['path'],
        );
        $text = $mirela->sees('has no title')->driver->findElement(WebDriverBy::cssSelector('#rejected textarea'));
        $text->clear()->sendKeys("TY  - JOUR\nTI  - A lamp from a drawer\nAU  - Strand, B\nPY  - 2001\nER  - ");
        $mirela->press('Read it again')->sees('The record has been taken in')->sees('Mended and taken in');

        // what the same place proves was joined as it came; the rest is compared, tried with thresholds, and joined in
        // one go
        $mirela->press('Matching')->press('Compare all records');
        $mirela->until(
            fn (): bool => str_contains($mirela->visit($mirela->path())->text(), 'Joined alone from'),
            'The comparison did not end',
        );
        $before = (int) Server::rows('SELECT count(*) AS n FROM publications')[0]['n'];
        $mirela->driver->executeScript(
            "const r = document.querySelector('input[name=certain]'); r.value = 40; r.dispatchEvent(new Event('input', { bubbles: true }));",
        );
        $mirela->sees('Joined alone from 40')->press('Try them: change nothing')->sees('Joined alone from');
        expect((int) Server::rows('SELECT count(*) AS n FROM publications')[0]['n'])->toBe($before);
        $mirela
            ->press('Balanced')
            ->press('Keep these settings')
            ->sees('Rulings that people made stand')
            ->press('Look at them')
            ->sees('What is certain')
            ->press('Join 2')
            ->sees('Joining the certain ones');
        $mirela->until(
            fn (): bool => (int) Server::rows('SELECT count(*) AS n FROM publications')[0]['n'] === $before - 2,
            'They were not joined',
        );

        // by keyboard: different, undone, same; then the other one later and same
        $mirela->press('Pairing Desk')->sees('2 groups to judge')->sees('Their DOIs are different.');
        $group = fn (): string => (string) $mirela->driver
            ->findElement(WebDriverBy::cssSelector('[data-group]'))
            ->getAttribute('data-group');
        $first = $group();
        $mirela
            ->keys('h')
            ->until(
                fn (): bool => (int) Server::rows(
                    "SELECT count(*) AS n FROM rulings WHERE ruling = 'different' AND superseded_at IS NULL",
                )[0]['n'] > 0,
                'The ruling did not arrive',
            );
        $mirela
            ->keys('z')
            ->until(
                fn (): bool => (int) Server::rows('SELECT count(*) AS n FROM rulings WHERE superseded_at IS NULL')[0][
                    'n'
                ] === 0,
                'The ruling was not taken back',
            );
        $mirela->until(
            fn (): bool => $group() === $first && str_contains($mirela->text(), '2 groups'),
            'The group did not come back',
        );
        $mirela
            ->keys('f')
            ->until(
                fn (): bool => (int) Server::rows(
                    "SELECT count(*) AS n FROM rulings WHERE ruling = 'same' AND superseded_at IS NULL",
                )[0]['n'] === 1,
                'The ruling did not arrive',
            );
        $mirela->until(fn (): bool => ! in_array($group(), ['', $first], true), 'The next group was not there');
        $mirela
            ->keys('f')
            ->sees('Nothing waits here')
            ->until(
                fn (): bool => (int) Server::rows('SELECT count(*) AS n FROM publications')[0]['n'] === 7,
                'The second ruling did not arrive',
            );

        // a duplicate that comes late, after people have decided
        Server::rows(
            "INSERT INTO memberships (id, review_id, user_id, role, created_at, updated_at) SELECT lower(left(md5('m'), 26)), reviews.id, users.id, 'reviewer', now(), now() FROM reviews, users WHERE users.email = 'karin@heron.example'",
        );
        $late = "{$folder}/late.json";
        file_put_contents($late, implode('', [...Formats::writers()['csl-json']->write([told('csl-json', 0)])]));
        $mirela->press('Deliveries')->attach('Drop files', $late)->fill('Source', 'A late list')->press('Deliver');
        $mirela->until(
            fn (): bool => (int) Server::rows('SELECT count(*) AS n FROM publications')[0]['n'] === 8,
            'The late record did not come',
        );
        $mirela
            ->press('Question')
            ->fill('New criterion', 'Nurses?')
            ->fill('Short reason', 'Not nurses')
            ->press('Add the criterion')
            ->sees('1 criterion');
        foreach (
            [
                'Mirela Haas' => $mirela,
                'Karin Sollander' => Browser::open()->signIn('karin@heron.example', 'a long password'),
            ] as $who => $person
        ) {
            foreach (
                Server::rows(
                    "SELECT items.id, items.review_id, publications.doi FROM items JOIN publications ON publications.id = items.publication_id WHERE publications.title ILIKE 'Bright lamps%' ORDER BY items.position",
                ) as $item
            ) {
                $person->visit("/reviews/{$item['review_id']}/screening/desk/{$item['id']}");
                $person->until(
                    fn (): bool => str_contains($person->heading(), 'lamps') ||
                        str_contains($person->heading(), 'LAMPS'),
                    'The item was not shown',
                );
                $person->keys(...str_contains($item['doi'], 'elsewhere') ? ['h', '1'] : ['f']);
                $person->until(
                    fn (): bool => (int) Server::rows(
                        "SELECT count(*) AS n FROM decisions JOIN users ON users.id = decisions.user_id WHERE users.name = '{$who}' AND item_id = '{$item['id']}'",
                    )[0]['n'] === 1,
                    'The decision did not arrive',
                );
            }
        }
        expect(
            array_column(
                Server::rows(
                    "SELECT state FROM items JOIN publications ON publications.id = items.publication_id JOIN stages ON stages.id = items.stage_id AND purpose = 'title-abstract' WHERE title ILIKE 'Bright lamps%' ORDER BY state",
                ),
                'state',
            ),
        )->toBe(['excluded', 'included']);
        $mirela->press('Records')->press('Matching')->press('Compare again');
        $mirela->until(
            fn (): bool => str_contains($mirela->visit($mirela->path())->text(), 'group needs'),
            'The comparison did not end',
        );
        $mirela->press('Pairing Desk')->sees('One is included and one excluded: joined, they become a disagreement');
        $mirela
            ->keys('f')
            ->sees('Nothing waits here')
            ->until(
                fn (): bool => (int) Server::rows("SELECT count(*) AS n FROM items WHERE state = 'disagreement'")[0][
                    'n'
                ] === 1,
                'It did not become a disagreement',
            );
        $mirela->press('Screening')->press('Disagreements')->sees('Karin Sollander');
        expect((int) Server::rows('SELECT count(*) AS n FROM decisions WHERE superseded_at IS NULL')[0]['n'])->toBe(4);
        expect($mirela->complaints())->toBe([]);
    },
);
