<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\WriteLog;
use App\Database\Copy;
use App\Jobs\Searches\AddThesaurus;
use App\Models\Review;
use App\Models\Scheme;
use App\Models\Task;
use App\Models\User;
use App\Tasks\TaskRun;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use WaryHeron\Core\Search\Text\IndexedText;
use WaryHeron\Core\Vocabulary\BadScheme;
use WaryHeron\Core\Vocabulary\Concept;
use WaryHeron\Core\Vocabulary\ConceptScheme;
use WaryHeron\Core\Vocabulary\SkosReader;

/** Takes a thesaurus in, or leaves everything as it was. */
final readonly class LoadScheme
{
    private const COLUMNS = [
        'scheme_id',
        'number',
        'uri',
        'label',
        'folded',
        'alternatives',
        'scope_note',
        'definition',
        'change_notes',
        'qualifiers',
        'broader',
        'related',
        'tops',
        'names',
        'words',
    ];

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * A team's own.
     *
     * @throws BadScheme
     */
    public function add(User $by, Review $review, string $title, string $skos): Scheme
    {
        $read = SkosReader::read($skos);

        return DB::transaction(function () use ($by, $review, $title, $skos, $read): Scheme {
            $scheme = $review
                ->schemes()
                ->create([
                    'title' => $title !== '' ? $title : ($read->title ?: 'Thesaurus'),
                    'size' => count($read->concepts),
                    'content_hash' => hash('sha256', $skos),
                    'added_by' => $by->id,
                    'added_at' => now(),
                ]);
            $this->fill($scheme, $read);
            ($this->log)(
                $review,
                $by,
                'scheme.added',
                "Added the thesaurus “{$scheme->title}” with ".number_format($scheme->size).' headings',
                $scheme,
            );

            return $scheme;
        });
    }

    /** The same in the background: a large file takes longer than a page may. */
    public function later(User $by, Review $review, string $title, string $path, string $name): Task
    {
        $stored = self::stored($path);

        return DB::transaction(function () use ($by, $review, $title, $stored, $name): Task {
            $task = TaskRun::queue(
                $review,
                $by->id,
                'thesaurus',
                "Reading the thesaurus {$name}",
                route('thesauri', $review, false),
            );
            ($this->log)($review, $by, 'scheme.brought', "Brought the thesaurus file {$name}", $task);
            AddThesaurus::dispatch($task->id, $stored, $title);

            return $task;
        });
    }

    private static function stored(string $path): string
    {
        $stored = 'thesauri/'.strtolower((string) Str::ulid());
        $file = fopen($path, 'rb') ?: throw new \RuntimeException("Cannot read {$path}.");
        Storage::writeStream($stored, $file);
        is_resource($file) && fclose($file);

        return $stored;
    }

    /**
     * What a source publishes, anew where it has changed.
     *
     * @throws BadScheme
     */
    public function publish(string $source, string $title, string $skos): Scheme
    {
        $hash = hash('sha256', $skos);
        $old = Scheme::query()->where('source', $source)->first();
        if ($old?->content_hash === $hash) {
            return $old;
        }
        $read = SkosReader::read($skos);

        return DB::transaction(function () use ($source, $title, $hash, $read): Scheme {
            $scheme = Scheme::query()->updateOrCreate(
                ['source' => $source],
                ['title' => $title, 'size' => count($read->concepts), 'content_hash' => $hash, 'added_at' => now()],
            );
            DB::table('scheme_concepts')->where('scheme_id', $scheme->id)->delete();
            $this->fill($scheme, $read);

            return $scheme;
        });
    }

    private function fill(Scheme $scheme, ConceptScheme $read): void
    {
        $numbers = array_flip(array_keys($read->concepts));
        $tops = $read->topsOfEach();
        $rows = [];
        foreach ($read->concepts as $concept) {
            $rows[] = [$scheme->id, ...self::row($concept, $numbers, $tops[$concept->uri])];
            if (count($rows) === 1000) {
                Copy::into('scheme_concepts', self::COLUMNS, $rows);
                $rows = [];
            }
        }
        Copy::into('scheme_concepts', self::COLUMNS, $rows);
    }

    /**
     * @param  array<string, int>  $numbers  by URI, from 0
     * @param  list<string>  $tops  URIs
     * @return list<string|int>
     */
    private static function row(Concept $concept, array $numbers, array $tops): array
    {
        $array = fn (array $uris): string => '{'.implode(',', array_map(fn ($uri): int => $numbers[$uri] + 1, $uris)).'}';
        $names = array_map(ConceptScheme::folded(...), [$concept->label, ...$concept->alternatives]);
        $quoted = array_map(fn (string $name): string => "\"{$name}\"", array_unique($names));

        return [
            $numbers[$concept->uri] + 1,
            $concept->uri,
            $concept->label,
            ConceptScheme::folded($concept->label),
            self::json($concept->alternatives),
            $concept->scopeNote,
            $concept->definition,
            self::json($concept->changeNotes),
            self::json($concept->qualifiers),
            $array($concept->broader),
            $array($concept->related),
            $array($tops),
            '{'.implode(',', $quoted).'}',
            IndexedText::tsvector([
                'title' => $concept->label,
                'abstract' => implode(' ', $concept->alternatives),
                'keyword' => "{$concept->scopeNote} {$concept->definition}",
            ]),
        ];
    }

    /** @param  list<string>  $values */
    private static function json(array $values): string
    {
        return json_encode($values, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }
}
