<?php

declare(strict_types=1);

namespace App\Sources;

use App\Files\In\TextStream;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use Psr\Http\Message\StreamInterface;
use WaryHeron\Core\Bibliography\Format\CslJson\CslJsonReader;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Reference;

/** Resolves DOIs to copies, where the locker has one. */
final class FullTextLocker
{
    private const LARGEST = 60 * 1024 * 1024;

    /**
     * What the locker knows of a DOI, whether it has a copy or not.
     *
     * @throws SourceFailed If it knows none, or what came cannot be read.
     */
    public function description(string $doi): Reference
    {
        $answer = $this->asked($doi, 'application/vnd.citationstyles.csl+json');
        try {
            foreach (
                (new CslJsonReader())->read(TextStream::of(substr($answer, 0, ReferenceReader::LARGEST_RECORD))) as $one
            ) {
                return $one instanceof Reference
                    ? $one
                    : throw SourceFailed::unreadable('The full-text locker', rtrim(lcfirst($one->message), '.'));
            }
        } catch (UnusableFile) {
        }
        throw SourceFailed::unreadable('The full-text locker', 'it describes nothing');
    }

    /**
     * @return string the PDF
     *
     * @throws SourceFailed If there is none, or what came is none.
     */
    public function pdf(string $doi): string
    {
        $content = $this->asked($doi, 'application/pdf');
        if (! str_starts_with($content, '%PDF-')) {
            throw SourceFailed::noCopy('what came is no PDF.');
        }

        return $content;
    }

    private function asked(string $doi, string $for): string
    {
        $parts = explode('/', $doi);
        if (config('heron.locker') === null || array_intersect($parts, ['', '.', '..']) !== []) {
            throw SourceFailed::noCopy(
                config('heron.locker') === null ? 'No full-text locker is set up here.' : 'This is no DOI.',
            );
        }
        try {
            // what another server sends is read no further than it is wanted, and its redirections lead nowhere
            $answer = Http::timeout(30)
                ->connectTimeout(4)
                ->withOptions(['allow_redirects' => false, 'stream' => true])
                ->withHeaders(['Accept' => $for])
                ->get(config('heron.locker').'/'.implode('/', array_map(rawurlencode(...), $parts)));
            $content = self::start($answer->toPsrResponse()->getBody());
        } catch (ConnectionException) {
            throw SourceFailed::unreachable('The full-text locker');
        }
        self::refuseUnlessCopy($answer, $content);

        return $content;
    }

    private static function refuseUnlessCopy(Response $answer, string $content): void
    {
        $megabytes = intdiv(self::LARGEST, 1024 * 1024);
        throw_if(in_array($answer->status(), [403, 404], true), fn () => SourceFailed::noCopy(
            mb_substr(trim(strip_tags(mb_scrub(substr($content, 0, 2000), 'UTF-8'))), 0, 200),
        ));
        throw_if($answer->failed(), fn () => SourceFailed::status('The full-text locker', $answer->status()));
        throw_if($answer->redirect(), fn () => SourceFailed::noCopy('it sends on to another place.'));
        throw_if(
            strlen($content) > self::LARGEST,
            fn () => SourceFailed::noCopy("what came is larger than {$megabytes} MB."),
        );
    }

    private static function start(StreamInterface $body): string
    {
        $content = '';
        while (! $body->eof() && strlen($content) <= self::LARGEST) {
            $content .= $body->read(1024 * 1024);
        }
        $body->close();

        return $content;
    }
}
