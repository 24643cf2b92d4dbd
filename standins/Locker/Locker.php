<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Locker;

use PDO;

/** The full-text locker: a PDF for a part of the DOIs that it knows, a refusal for others. */
final readonly class Locker
{
    /** One copy in so many is printed in two columns. */
    private const IN_COLUMNS = 8;

    public function __construct(private PDO $database)
    {
    }

    /** What is asked for instead of a copy by content negotiation, as DOI resolvers offer it. */
    public const DESCRIPTION = 'application/vnd.citationstyles.csl+json';

    /** @return array{int, string, string} status, content type and content */
    public function answer(string $doi, string $accepts = ''): array
    {
        $doi = mb_strtolower(trim($doi));
        foreach (['alder', 'tern'] as $service) {
            $found = $this->database->prepare(
                "SELECT body FROM {$service}.records JOIN {$service}.records_text USING (number) WHERE doi = ? LIMIT 1",
            );
            $found->execute([$doi]);
            $body = $found->fetchColumn();
            if (is_string($body)) {
                return str_contains($accepts, self::DESCRIPTION)
                    ? $this->descriptionOf(json_decode($body, true), $doi)
                    : $this->copyOf(json_decode($body, true), $doi);
            }
        }

        return [404, 'text/plain; charset=utf-8', "No such DOI is known here.\n"];
    }

    /**
     * Everybody may know what there is.
     *
     * @param  array<string, mixed>  $entry
     * @return array{int, string, string}
     */
    private function descriptionOf(array $entry, string $doi): array
    {
        return [
            200,
            self::DESCRIPTION,
            json_encode(
                [
                    'DOI' => $doi,
                    'type' => 'article-journal',
                    'title' => $entry['title'],
                    'container-title' => $entry['journal'][0],
                    'volume' => (string) $entry['volume'],
                    'issued' => ['date-parts' => [[(int) $entry['year']]]],
                    'author' => array_map(
                        fn (array $author): array => ['family' => $author[0], 'given' => $author[1]],
                        $entry['authors'],
                    ),
                    'abstract' => $entry['abstract'],
                ],
                JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
        ];
    }

    /**
     * @param  array<string, mixed>  $entry
     * @return array{int, string, string}
     */
    private function copyOf(array $entry, string $doi): array
    {
        // the same ones every time
        if (crc32($doi) % 100 >= 40) {
            return [403, 'text/plain; charset=utf-8', "This publisher gives no copy without a subscription.\n"];
        }

        $paragraphs = (new ReportText($entry, $doi))->paragraphs();
        $pdf = crc32($doi) % self::IN_COLUMNS === 0
            ? TwoColumnPdf::of($paragraphs, ReportText::ABOVE, "{$entry['journal'][0]} {$entry['year']}")
            : PlainPdf::of($paragraphs);

        return [200, 'application/pdf', $pdf];
    }
}
