-- What a pour is found by, in rows so narrow that reading all of them takes milliseconds: beside the document they were stored out of line.
CREATE TABLE pour_words (
  pour_id uuid PRIMARY KEY REFERENCES pour (id) ON DELETE CASCADE,
  words text NOT NULL
);
-- Every word that was ever among them, for what is nearly typed right. None is taken out: one too many only finds nothing.
CREATE TABLE known_word (word text PRIMARY KEY);

CREATE FUNCTION keep_pour_words() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE told text := lower(coalesce(NEW.told_facts ->> 'words', ''));
BEGIN
  INSERT INTO pour_words VALUES (NEW.id, told) ON CONFLICT (pour_id) DO UPDATE SET words = excluded.words;
  INSERT INTO known_word SELECT DISTINCT word FROM regexp_split_to_table(told, '[^[:alnum:]]+') AS word
  WHERE length(word) >= 4 ORDER BY word ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
CREATE TRIGGER pour_words_in AFTER INSERT OR UPDATE OF told_facts ON pour FOR EACH ROW EXECUTE FUNCTION keep_pour_words();

INSERT INTO pour_words SELECT id, lower(coalesce(told_facts ->> 'words', '')) FROM pour;
INSERT INTO known_word SELECT DISTINCT word FROM (SELECT DISTINCT words FROM pour_words) AS told,
  regexp_split_to_table(words, '[^[:alnum:]]+') AS word WHERE length(word) >= 4;
