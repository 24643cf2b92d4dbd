<?php

use Facebook\WebDriver\WebDriverBy;
use Symfony\Component\Process\Process;
use Tests\Browser\Browser;
use Tests\Browser\Server;
use WaryHeron\Standins\Locker\PlainPdf;
use WaryHeron\Standins\Locker\ScannedPdf;

beforeEach(fn () => Server::demo());

/** @return list<array<string, mixed>> publications whose text is sought and of which no PDF is here */
function soughtWithoutCopy(): array
{
    return Server::rows(<<<'SQL'
        SELECT p.id, p.title, p.doi, p.review_id FROM publications p
        JOIN items i ON i.review_id = p.review_id AND i.publication_id = p.id
        JOIN stages s ON s.id = i.stage_id AND s.purpose = 'full-text'
        WHERE i.state = 'awaited' AND p.doi <> '' AND p.merged_into IS NULL
            AND NOT EXISTS (SELECT FROM full_texts f WHERE f.publication_id = p.id)
        ORDER BY p.id DESC LIMIT 9
        SQL);
}

/** The same behind a password. */
function withPassword(string $path): string
{
    $gs = ['gs', '-q', '-dSAFER', '-dNOPAUSE', '-dBATCH', '-sDEVICE=pdfwrite', '-sOwnerPassword=a', '-sUserPassword=a', '-dEncryptionR=3', '-dKeyLength=128'];
    (new Process([...$gs, "-sOutputFile={$path}.locked", $path]))->mustRun();

    return (string) file_get_contents("{$path}.locked");
}

it('takes twelve PDFs at once, says of each what became of it, and reads the pictures of a scan', function () {
    $sought = soughtWithoutCopy();
    expect($sought)->toHaveCount(9);
    $folder = sys_get_temp_dir().'/heron-pdfs-'.getmypid();
    mkdir($folder);
    $pdf = fn (array $of): string => PlainPdf::of([[16, $of['title']], [11, "doi: {$of['doi']}"], [11, 'Nurses took part in this study of lamps at night.']]);
    $files = [];
    $put = function (string $name, string $content) use (&$files, $folder): string {
        file_put_contents($files[] = "{$folder}/{$name}", $content);

        return "{$folder}/{$name}";
    };
    foreach (range(0, 6) as $i) {
        $put("paper-{$i}.pdf", $pdf($sought[$i]));
    }
    $put('paper-0-again.pdf', $pdf($sought[0]));
    $put('of-nothing-here.pdf', PlainPdf::of([[16, 'Umbrellas of the coast'], [11, 'Nothing of this is sought.']]));
    $put('scan.pdf', ScannedPdf::of($pdf($sought[7])));
    $plain = $put('torn.pdf', $pdf($sought[8]));
    $put('lent.pdf', withPassword($plain));
    file_put_contents($plain, substr($pdf($sought[8]), 0, 120));

    $karin = Browser::open()->signIn('karin.sollander@heron.example', 'night-shift-demo')->visit("/reviews/{$sought[0]['review_id']}/full-texts");
    $karin->driver->findElement(WebDriverBy::cssSelector('input[type=file][multiple]'))->sendKeys(implode("\n", $files));
    $line = fn (string $name): string => (string) $karin->driver->executeScript(
        'return [...document.querySelectorAll("[aria-live] li")].find((one) => one.querySelector("strong")?.textContent === arguments[0])?.textContent ?? ""',
        [$name],
    );
    $says = fn (string $name, string $words) => $karin->until(fn (): bool => str_contains($line($name), $words), "of {$name} it does not say “{$words}” but “{$line($name)}”");
    foreach (range(0, 6) as $i) {
        $says("paper-{$i}.pdf", 'is a copy of');
        expect($line("paper-{$i}.pdf"))->toContain($sought[$i]['title']);
    }
    $says('paper-0-again.pdf', 'is here already');
    $says('of-nothing-here.pdf', 'say what it is a copy of');
    $says('scan.pdf', 'pictures of pages and no text');
    $says('torn.pdf', 'damaged');
    $says('lent.pdf', 'locked with a password');

    $karin->press('PDFs to assign')->sees('scan.pdf');
    $karin->driver->findElement(WebDriverBy::xpath('//div[contains(@class, "unassigned")][.//a[text()="scan.pdf"]]//button[text()="Read its pictures"]'))->click();
    $karin->sees('are being read');
    $karin->until(
        fn (): bool => Server::rows("SELECT 1 FROM full_texts WHERE name = 'scan.pdf' AND publication_id = '{$sought[7]['id']}'") !== [],
        'the scan was not matched by the words of its pictures',
    );
    // the browser tells that the file brought twice was refused
    expect(array_filter($karin->complaints(), fn (string $one): bool => ! str_contains($one, '409')))->toBe([]);
    array_map(unlink(...), glob("{$folder}/*") ?: []);
    rmdir($folder);
});
