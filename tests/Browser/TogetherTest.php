<?php

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/** How many rows there are. */
function counted(string $of): int
{
    return (int) Server::rows("SELECT count(*) AS n FROM {$of}")[0]['n'];
}

it(
    'lets three people screen together: shares, blinded keys, a lost connection, opening, Talk, agreement, adjudication, handing on, full text',
    function () {
        Server::fresh();
        foreach (
            ['Ines Okafor' => 'ines', 'Tunde Adeyinka' => 'tunde', 'Karin Sollander' => 'karin'] as $name => $mail
        ) {
            Server::addPerson($name, "{$mail}@heron.example");
        }
        [$ines, $tunde, $karin] = array_map(
            fn (string $who): Browser => Browser::open()->signIn("{$who}@heron.example", 'a long password'),
            ['ines', 'tunde', 'karin'],
        );
        $ines
            ->press('Start a review')
            ->fill('Short title', 'Night lamps')
            ->fill('Question', 'Do lamps help?')
            ->press('Start the review');
        foreach (
            ['Are they night staff?' => 'Not night staff', 'Is it research?' => 'No research'] as $question => $reason
        ) {
            $ines
                ->fill('New criterion', $question)
                ->fill('Short reason', $reason)
                ->press('Add the criterion')
                ->until(
                    fn (): bool => counted("criteria WHERE question = '{$question}'") === 1,
                    'The criterion was not added',
                );
        }
        $review = preg_replace('~^(/reviews/\w+).*$~', '$1', $ines->path());
        foreach (['tunde', 'karin'] as $who) {
            $ines
                ->visit("{$review}/team")
                ->fill('E-mail address', "{$who}@heron.example")
                ->press('Send the invitation')
                ->sees('An invitation is on its way');
            $link = Server::linkTo("{$who}@heron.example");
            ['tunde' => $tunde, 'karin' => $karin][$who]
                ->visit($link)
                ->press('Accept the invitation')
                ->sees('Night lamps');
        }
        $file = sys_get_temp_dir().'/heron-together-'.getmypid().'.ris';
        file_put_contents(
            $file,
            implode('', [
                ...Formats::writers()['ris']->write(
                    array_map(
                        fn (int $i): Reference => new Reference(
                            PublicationType::Article,
                            'Lamps of ward '.str_repeat(chr(96 + $i), 3).' at night',
                            [new Name('Haas', 'Mirela')],
                            2000 + $i,
                            journal: 'Annals of Nocturnal Medicine',
                            volume: (string) $i,
                            firstPage: (string) (10 * $i),
                            abstract: "Ward {$i} was dark.",
                        ),
                        range(1, 24),
                    ),
                ),
            ]),
        );
        $ines
            ->visit("{$review}/deliveries")
            ->attach('Drop files', $file)
            ->fill('Source', 'Ward list')
            ->press('Deliver');
        $ines->until(fn (): bool => counted('items') === 24, 'The records did not arrive');

        // share-out: a random dozen for Tunde and Karin; the preview first
        $ines->visit("{$review}/screening/share-outs")->fill('So many items', '12');
        $ines->one("//label[contains(normalize-space(),'Ines Okafor')]//input")->click();
        $ines
            ->press('Preview')
            ->sees('12 drawn with the seed')
            ->sees('Tunde Adeyinka and Karin Sollander')
            ->press('Share out 12')
            ->sees('12 publications are shared out');
        expect(counted('assignments'))->toBe(24);
        $karin->visit('/notices')->press('Your share at “Title and abstract” is ready')->sees('in my shares');

        // Karin loses the connection for ten decisions, by keyboard alone
        $karin->online(false);
        for ($i = 0; $i < 10; $i++) {
            $title = $karin->heading();
            $karin
                ->keys('f')
                ->until(fn (): bool => $karin->heading() !== $title, 'The next item did not come while offline');
        }
        $karin->sees('10 decisions are kept on this machine')->online(true);
        $karin->until(fn (): bool => counted('decisions') === 10, 'The decisions did not arrive');
        $karin->until(
            fn (): bool => ! str_contains($karin->text(), 'kept on this machine'),
            'The page still says that decisions wait',
        );
        // answers criterion by criterion: the first no proposes an exclusion
        $title = $karin->heading();
        $karin->keys(WebDriverKeys::SHIFT.'1'.WebDriverKeys::SHIFT); // yes to the first, by its number
        $karin->until(
            fn (): bool => $karin->driver
                ->findElement(WebDriverBy::xpath("(//div[@class='answers'])[1]/button[normalize-space()='yes']"))
                ->getAttribute('aria-pressed') === 'true',
            'The key answered nothing',
        );
        $karin->one("(//div[@class='answers'])[2]/button[normalize-space()='no']")->click();
        $karin
            ->sees('Your answers come to: exclude, No research')
            ->press('Decide so')
            ->until(fn (): bool => $karin->heading() !== $title, 'The answers decided nothing');
        $karin->until(
            fn (): bool => counted("decisions WHERE verdict = 'exclude' AND answers <> '{}'") === 1,
            'The answers were not kept',
        );

        // blinded: Tunde sees nothing of it, in the list either
        $tunde->visit("{$review}/screening/desk?layout=list")->sees('in my shares');
        expect($tunde->driver->getPageSource())->not->toContain('Karin Sollander');
        for ($i = 1; $i <= 11; $i++) {
            $tunde
                ->keys('h')
                ->sees('Which criterion fails?')
                ->keys('1')
                ->until(
                    fn (): bool => counted(
                        "decisions d JOIN users u ON u.id = d.user_id WHERE u.email LIKE 'tunde%'",
                    ) === $i,
                    'The decision did not arrive',
                );
        }
        expect(counted("items WHERE state = 'disagreement'"))
            ->toBe(10)
            ->and(counted("items WHERE state = 'excluded'"))
            ->toBe(1);

        // Talk, and a mind changed
        $karin
            ->visit("{$review}/screening/disagreements")
            ->sees('10 open')
            ->sees('Not night staff')
            ->fill('Message', 'Look at the ward, @Tunde')
            ->press('Write')
            ->sees('Look at the ward');
        $tunde
            ->visit('/notices')
            ->press('Karin Sollander mentions you')
            ->sees('Look at the ward')
            ->press('Change my mind');
        $tunde->driver
            ->findElement(WebDriverBy::cssSelector('form[action$="/rethink"] input[value="include"]'))
            ->click();
        $tunde->press('Change it')->sees('what you said before is kept');
        expect(counted("items WHERE state = 'included'"))->toBe(1);
        // agreement by proposal, for several at once
        $karin
            ->visit("{$review}/screening/disagreements")
            ->sees('9 open')
            ->press('Settle the ticked ones together');
        foreach ($karin->driver->findElements(WebDriverBy::cssSelector('.ticked input')) as $i => $box) {
            $i < 2 && $box->click();
        }
        $karin->choose('Verdict for all', 'include')->press('Propose')->sees('2 proposed to the other side');
        $tunde
            ->visit("{$review}/screening/disagreements")
            ->press('Agree to all 2')
            ->sees('2 settled');
        // one of the others is adjudicated
        $ines->visit("{$review}/screening/disagreements")->sees('7 open');
        $ines->one("//input[@type='radio'][@name='verdict'][@value='include']")->click();
        $ines
            ->press('Settle')
            ->until(fn (): bool => counted("items WHERE state = 'included'") === 4, 'The lead could not settle');

        // Tunde leaves; what he has not judged goes on to Ines
        $ines->visit("{$review}/screening/share-outs")->choose('From', 'Tunde Adeyinka');
        $ines->one("//form[.//select[@name='hand']]//label[contains(normalize-space(),'Ines Okafor')]//input")->click();
        $ines
            ->press('Look at who would take what')
            ->sees('1 judgement not yet made would go to: Ines Okafor 1.')
            ->press('Hand them on')
            ->sees('1 undone items have been handed on');
        $ines->visit("{$review}/screening/desk")->sees('1 in my shares');

        // full text: what is included goes on and is judged again
        expect(counted("items JOIN stages ON stages.id = items.stage_id WHERE purpose = 'full-text'"))->toBe(4);
        $stage = Server::rows("SELECT id FROM stages WHERE purpose = 'full-text'")[0]['id'];
        // one cannot be had, the others are on paper
        $ines
            ->visit("{$review}/full-texts")
            ->sees('4 sought')
            ->keys('x')
            ->fill('Why it cannot be retrieved', 'no copy in any library')
            ->keys(WebDriverKeys::ENTER)
            ->sees('1 not retrievable');
        foreach (range(1, 3) as $n) {
            $ines
                ->keys('o')
                ->fill('Where it is kept', 'a printed copy')
                ->keys(WebDriverKeys::ENTER)
                ->sees("{$n} obtained");
        }
        $ines
            ->keys('z')
            ->sees('2 obtained')
            ->keys('o')
            ->fill('Where it is kept', 'a printed copy')
            ->keys(WebDriverKeys::ENTER)
            ->sees('3 obtained');
        foreach ([$karin, $ines] as $who) {
            $who->visit("{$review}/screening/desk?stage={$stage}")
                ->sees('3 at this stage')
                ->sees('3 not judged by me, not open');
            $title = $who->heading();
            $who->keys('f')->until(fn (): bool => $who->heading() !== $title, 'The next item did not come');
        }
        $ines->until(
            fn (): bool => counted(
                "items JOIN stages ON stages.id = items.stage_id WHERE purpose = 'full-text' AND state = 'included'",
            ) === 1,
            'Nothing was included in full text',
        );
        $ines
            ->visit("{$review}/report")
            ->sees('1 no copy in any library')
            ->sees('studies included')
            ->seesNot('do not add up');
        foreach ([$ines, $tunde, $karin] as $who) {
            expect(
                array_values(
                    array_filter(
                        $who->complaints(),
                        fn (string $said): bool => ! str_contains($said, 'ERR_INTERNET_DISCONNECTED'),
                    ),
                ),
            )->toBe([]);
        }
        unlink($file);
    },
);
